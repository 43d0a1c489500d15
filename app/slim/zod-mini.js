// Schemas describe what crosses the wire and what files hold; the quay checks both. In the browser nothing is checked
// by them, since what arrives there has been checked and what is made there is typed: so they are not there at all, and
// with them go 10 kB of Zod from both first views. Whoever parses in the browser finds out at once: `inert` gives itself.
const inert = new Proxy(function schema() {}, {
  get: (_, name) => {
    if (name === 'safeParse' || name === 'parse') throw new Error('schemas check nothing in the browser');
    return typeof name === 'symbol' ? undefined : inert;
  },
  apply: () => inert,
});

module.exports = new Proxy({ __esModule: true }, { get: (own, name) => (name in own ? own[name] : inert) });
