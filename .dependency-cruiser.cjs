const TOPICS = [
  'staff',
  'policy',
  'fleet',
  'waters',
  'photo',
  'condition',
  'fuel',
  'trip',
  'party',
  'briefing',
  'drill',
  'docking',
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

/** Topics in order: each may import only those before it, and the ground they all stand on. */
const topicRules = TOPICS.map((topic, i) => ({
  name: `core-${topic}`,
  severity: 'error',
  // Tests try a topic with records of every kind.
  from: { path: `^core/src/${topic}/`, pathNot: '\\.test\\.ts$' },
  to: { path: '^core/src/', pathNot: `^core/src/(${['testing', ...GROUND, ...TOPICS.slice(0, i + 1)].join('|')})/` },
}));

/** The server's topics in order. A hire's record is read and looked at before it is walked; who signs in comes on top, since a key that is named lets seals be judged. */
const SERVER_TOPICS = [
  'policy',
  'fleet',
  'booking',
  'party',
  'record',
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
];

const serverRules = SERVER_TOPICS.map((topic, i) => ({
  name: `server-${topic}`,
  severity: 'error',
  from: { path: `^server/src/topics/${topic}/`, pathNot: '\\.test\\.ts$' },
  to: {
    path: '^server/src/',
    pathNot: `^server/src/(platform|integrations)/|^server/src/topics/(${SERVER_TOPICS.slice(0, i + 1).join('|')})/`,
  },
}));

/** The app's topics in order: what is used at many stops first, pages that lead to everything last. */
const APP_TOPICS = [
  'navigation',
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
];

const appRules = APP_TOPICS.map((topic, i) => ({
  name: `app-${topic}`,
  severity: 'error',
  from: { path: `^app/src/topics/${topic}/`, pathNot: '\\.test\\.tsx?$' },
  to: {
    path: '^app/src/',
    pathNot: `^app/src/(ui|local|platform|i18n|workers)/|^app/src/topics/(${APP_TOPICS.slice(0, i + 1).join('|')})/`,
  },
}));

/** @type {import('dependency-cruiser').IConfiguration} */
module.exports = {
  forbidden: [
    ...topicRules,
    ...serverRules,
    ...appRules,
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
