/** The bundler uses this preset by itself; named here for the tests, which have no files to fetch later. */
module.exports = (api) => {
  const testing = api.env('test');
  return { presets: ['babel-preset-expo'], plugins: testing ? ['@babel/plugin-transform-dynamic-import'] : [] };
};
