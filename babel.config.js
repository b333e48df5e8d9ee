module.exports = (api) => {
  // Under test a dynamic import is a plain one: Node runs no module in Jest's sandbox otherwise.
  const plugins = api.env('test') ? ['@babel/plugin-transform-dynamic-import'] : [];
  return { presets: ['babel-preset-expo'], plugins };
};
