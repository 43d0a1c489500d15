/** A hire lasts so many days at most, and is entered so many hours after it began at the latest. */
export const LONGEST_HIRE_DAYS = 60;
export const LATEST_ENTRY_HOURS = 24;
