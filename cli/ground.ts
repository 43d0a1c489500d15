import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

/** Controls that are Paper's here; from `react-native` only what we draw ourselves takes them. */
const CONTROLS = /\b(ActivityIndicator|Button|Modal|Pressable|Switch|TextInput|Touchable\w+)\b/;
/** What is drawn by us is pressed where it is drawn. */
const DRAWN = [
  'app/src/ui/drawn/rope.tsx',
  'app/src/ui/drawn/plan.tsx',
  'app/src/ui/drawn/surface.tsx',
  'app/src/topics/drill/ControlCell.tsx',
  'app/src/topics/docking/Controls.tsx',
  'app/src/topics/photo/compare/PairSheet.tsx',
];

/** Parts of a form that another file holds together: the fields of a row of a book, as many as its kind has. */
const HELD_BY: Readonly<Record<string, string>> = {
  'app/src/topics/fleet/book/OneField.tsx': 'app/src/topics/fleet/book/RowSheet.tsx',
  'app/src/topics/fleet/book/condition/ConditionField.tsx': 'app/src/topics/fleet/book/RowSheet.tsx',
  'app/src/topics/fleet/book/drill/DrillField.tsx': 'app/src/topics/fleet/book/RowSheet.tsx',
};

const sources = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) return sources(path);
    return /(?<!\.test)\.tsx$/.test(entry.name) ? [path] : [];
  });

/** Files that take a control from `react-native` though they draw nothing themselves. */
const ownControls = (files: ReadonlyMap<string, string>): string[] =>
  [...files].flatMap(([path, text]) => {
    const taken = [...text.matchAll(/import (?:type )?\{([^}]*)\} from 'react-native';/g)].map(([, names]) => names ?? '').join();
    return CONTROLS.test(taken) && !DRAWN.includes(path) ? [path] : [];
  });

/** Files with several fields to type into that no form library holds together. */
const ownForms = (files: ReadonlyMap<string, string>): string[] =>
  [...files].flatMap(([path, text]) =>
    path.startsWith('app/src/topics/') &&
    (text.match(/<(TextField|FormField|SumField|DayField|ClockField)\b/g) ?? []).length > 1 &&
    !/useSchemaForm|form=\{/.test(files.get(HELD_BY[path] ?? path) ?? '')
      ? [path]
      : [],
  );

/** Names that the bundler takes for something else than what they say. Threads of ours have names of their own, and stand for no package. */
const replacedModules = (metro: string): string[] => [
  ...(metro.match(/extraNodeModules|\balias\b/g) ?? []),
  ...[...metro.matchAll(/\[`([a-z@][^`$]*)/g)].flatMap(([, name]) => (name?.startsWith('worker:') ? [] : [name ?? ''])),
];

/** What the interface stands on, counted and printed. @returns how much of it stands on ground of our own */
export const checkGround = (): number => {
  const files = new Map(sources('app/src').map((path) => [path, readFileSync(path, 'utf8')]));
  const counts = {
    'controls imported from react-native outside the drawn parts': ownControls(files),
    'modules replaced in the bundle': replacedModules(readFileSync('app/metro.config.js', 'utf8')),
    'forms of more than one field without react-hook-form': ownForms(files),
  };
  for (const [what, found] of Object.entries(counts)) console.log(`     ${what}: ${[found.length, ...found].join(' ')}`);
  return Object.values(counts).flat().length;
};
