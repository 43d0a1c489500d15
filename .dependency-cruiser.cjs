const TOPICS = [
  'staff',
  'policy',
  'fleet',
  'booking',
  'waters',
  'photo',
  'condition',
  'fuel',
  'docking',
  'trip',
  'party',
  'briefing',
  'drill',
  'walk',
  'findings',
  'settlement',
  'turnaround',
  'castOff',
  'record',
  'day',
  'dossier',
];
const GROUND = ['number', 'geometry', 'matching', 'time', 'money', 'words', 'events'];

/**
 * Topics of a storey in order: each may import only those before it, and the ground they all stand on. A folder that is
 * not among them may import nothing: it has no place yet.
 * @param room path of the storey's topics @param all of what the order is about @param ground paths below it
 */
const inOrder = (storey, room, all, topics, ground) => [
  ...topics.map((topic, i) => ({
    name: `${storey}-${topic}`,
    severity: 'error',
    // Tests try a topic with records of every kind.
    from: { path: `^${room}/${topic}/`, pathNot: '\\.test\\.tsx?$' },
    to: { path: `^${all}/`, pathNot: [...ground.map((path) => `^${path}/`), `^${room}/(${topics.slice(0, i + 1).join('|')})/`] },
  })),
  {
    name: `${storey}-without-place`,
    severity: 'error',
    from: { path: `^${room}/[^/]+/`, pathNot: [...ground.map((path) => `^${path}/`), `^${room}/(${topics.join('|')})/`] },
    to: {},
  },
];

/** The server's topics in order. A hire's record is read and looked at before it is walked; who signs in comes on top, since a key that is named lets seals be judged. */
const SERVER_TOPICS = [
  'policy',
  'fleet',
  'booking',
  'party',
  'record',
  'rebooking',
  'exchange',
  'photo',
  'fuel',
  'trip',
  'briefing',
  'walk',
  'castOff',
  'settlement',
  'day',
  'dossier',
  'staff',
  'setup',
];

/** The app's topics in order: what is used at many stops first, pages that lead to everything last. */
const APP_TOPICS = [
  'navigation',
  'handbook',
  'record',
  'fleet',
  'photo',
  'condition',
  'fuel',
  'trip',
  'party',
  'briefing',
  'drill',
  'docking',
  'findings',
  'settlement',
  'turnaround',
  'castOff',
  'walk',
  'booking',
  'day',
  'renter',
  'staff',
  'setup',
];

/** @type {import('dependency-cruiser').IConfiguration} */
module.exports = {
  forbidden: [
    ...inOrder(
      'core',
      'core/src',
      'core/src',
      TOPICS,
      ['testing', ...GROUND].map((name) => `core/src/${name}`),
    ),
    ...inOrder('server', 'server/src/topics', 'server/src', SERVER_TOPICS, ['server/src/platform', 'server/src/integrations']),
    ...inOrder(
      'app',
      'app/src/topics',
      'app/src',
      APP_TOPICS,
      ['ui', 'local', 'platform', 'i18n', 'workers'].map((name) => `app/src/${name}`),
    ),
    {
      name: 'core-ground',
      severity: 'error',
      from: { path: `^core/src/(${GROUND.join('|')})/`, pathNot: '\\.test\\.ts$' },
      to: { path: '^core/src/', pathNot: `^core/src/(${GROUND.join('|')})/` },
    },
    {
      name: 'core-alone',
      severity: 'error',
      from: { path: '^core/src', pathNot: '\\.test\\.ts$|^core/src/testing/' },
      to: {
        path: '^(contract|simulators|server|app)/|^(node:)?(fs|path|os|http|crypto|child_process)$|node_modules/(react|express|knex)/',
      },
    },
    { name: 'contract-over-core', severity: 'error', from: { path: '^contract/' }, to: { path: '^(simulators|server|app)/' } },
    { name: 'simulators-know-contract', severity: 'error', from: { path: '^simulators/' }, to: { path: '^(core|server|app)/' } },
    // One place joins the quay to its outside, simulated or real.
    {
      name: 'simulators-joined-once',
      severity: 'error',
      // Ports are tested against what is simulated.
      from: { pathNot: '^(simulators/|server/src/integrations/(integrations|.*\\.test)\\.ts$)' },
      to: { path: '^simulators/' },
    },
    { name: 'server-not-app', severity: 'error', from: { path: '^server/' }, to: { path: '^app/' } },
    { name: 'app-not-server', severity: 'error', from: { path: '^app/' }, to: { path: '^server/' } },
    {
      name: 'server-platform',
      severity: 'error',
      from: { path: '^server/src/(platform|integrations)/', pathNot: '\\.test\\.ts$' },
      to: { path: '^server/src/', pathNot: '^server/src/(platform|integrations)/' },
    },
    {
      name: 'routes-thin',
      severity: 'error',
      from: { path: '^app/src/app/.*[^_]\\.tsx$', pathNot: '_layout' },
      to: { path: '^app/src/(local|platform)/' },
    },
    {
      name: 'no-circle',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    {
      name: 'ui-knows-no-data',
      severity: 'error',
      from: { path: '^app/src/(ui|platform)/' },
      to: { path: '^app/src/(local|topics|bundles)/' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'default'], extensions: ['.ts', '.tsx', '.js'] },
  },
};
