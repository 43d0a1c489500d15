/** The bundler uses this preset by itself; named here for the tests. */
module.exports = (api) => {
  api.cache(true);
  return { presets: ['babel-preset-expo'] };
};
