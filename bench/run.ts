import type { Figure } from './figure';

type Bench = { long?: true; about: string; run: () => Promise<Figure[]> };

/** Every figure the program promises. Those marked long run by name or with `--all`. */
const BENCHES: Record<string, Bench> = {
  project: { about: 'projecting 2,000 events', run: async () => (await import('./figures/project')).project() },
  append: { about: 'appending 50 events against bare better-sqlite3', run: async () => (await import('./figures/append')).append() },
  day: { about: 'the day among 10,000 hires', run: async () => (await import('./figures/day')).day() },
  bookings: {
    long: true,
    about: 'a month of 60 boats among 400,000 hires, asked for and dragged about in',
    run: async () => (await import('./figures/bookings')).bookings(),
  },
  'first-use': {
    about: 'until a first view can be used, slow phone and line',
    long: true,
    run: async () => (await import('./figures/firstUse')).firstUse(),
  },
  handover: { about: 'fit and briefing in the browser', run: async () => (await import('./figures/handover')).handover() },
  'demo-again': { about: 'a second ./quay demo', run: async () => (await import('./figures/demoAgain')).demoAgain() },
  marks: { about: 'matching marks on 60-mark boats', run: async () => (await import('./figures/marks')).marks() },
  water: { about: 'how far one can go and be back, on the chart', run: async () => (await import('./figures/water')).water() },
  docking: { about: 'simulation and plan of docking', run: async () => (await import('./figures/docking')).docking() },
  'docking-frames': {
    long: true,
    about: 'frames while practising at 4 × slow-down',
    run: async () => (await import('./figures/frames/docking')).dockingFrames(),
  },
  capture: {
    long: true,
    about: 'blur on 400 made-up pictures, a 12-megapixel one in its thread',
    run: async () => (await import('./figures/capture')).capture(),
  },
  'marks-frames': {
    about: 'frames with 60 marks on a drawing at 4 × slow-down',
    run: async () => (await import('./figures/frames/marks')).marksFrames(),
  },
  'hand-frames': {
    long: true,
    about: 'frames while typing, finishing stops and scrolling at 4 × slow-down',
    run: async () => (await import('./figures/frames/hand')).handFrames(),
  },
  delivery: { long: true, about: '40 photographs over a cut', run: async () => (await import('./figures/delivery')).delivery() },
  hostile: {
    long: true,
    about: 'the day before and after 5,000 hostile events and 200 hostile pictures, and the memory they take',
    run: async () => (await import('./figures/hostile')).hostile(),
  },
  load: { long: true, about: '20 phones delivering for 20 s', run: async () => (await import('./figures/load')).load() },
  compare: {
    long: true,
    about: 'a 12-megapixel pair, and 20 of them beside what phones deliver',
    run: async () => (await import('./figures/compare')).compare(),
  },
  photo: {
    about: 'made-up pairs and pairs of real photographs, and what must not be compared',
    long: true,
    run: async () => (await import('./figures/photo')).photo(),
  },
  fuel: { about: '10,000 simulated hires', long: true, run: async () => (await import('./figures/fuel')).fuel() },
};

const row = ({ name, value, unit, budget, within, note }: Figure) =>
  `${within ? 'ok  ' : 'OVER'} ${name.padEnd(44)} ${String(value).padStart(10)} ${unit.padEnd(6)} budget ${budget}${note === undefined ? '' : `   (${note})`}`;

/** `./quay bench [NAME…] [--all] [--json]`; ends with 1 when a figure is outside its budget. */
export const bench = async (args: readonly string[]): Promise<never> => {
  const json = args.includes('--json');
  const names = args.filter((one) => !one.startsWith('--'));
  const unknown = names.filter((name) => !(name in BENCHES));
  if (unknown.length > 0) {
    const known = Object.entries(BENCHES).map(([name, { about, long }]) => `  ${name.padEnd(12)} ${about}${long ? ' (long)' : ''}`);
    console.error(`There is no figure called ${unknown.join(', ')}. There are:\n${known.join('\n')}`);
    process.exit(1);
  }
  const wanted = names.length > 0 ? names : Object.keys(BENCHES).filter((name) => args.includes('--all') || !BENCHES[name]!.long);
  const figures: Figure[] = [];
  for (const name of wanted) {
    console.error(`measuring ${name}: ${BENCHES[name]!.about} …`);
    const measured = await BENCHES[name]!.run();
    figures.push(...measured);
    if (!json) for (const one of measured) console.log(row(one));
  }
  if (json) console.log(JSON.stringify(figures, null, 2));
  process.exit(figures.every(({ within }) => within) ? 0 : 1);
};
