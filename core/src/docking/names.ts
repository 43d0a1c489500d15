/** What is practised, in which wind and current, and how hard she touched: names that the record keeps. */
export const TASKS = ['leave', 'alongside', 'slip', 'stop', 'beach', 'lock'] as const;
export type TaskName = (typeof TASKS)[number];
/** Wind and current of the task; none; from the other side and stronger; or as they are at the quay now. */
export const WEATHERS = ['task', 'calm', 'turned', 'now'] as const;
export type WeatherChoice = (typeof WEATHERS)[number];
export const TOUCHES = ['none', 'soft', 'firm', 'hard'] as const;
export type Touch = (typeof TOUCHES)[number];
