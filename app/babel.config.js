/** What a schema says of itself is for the API's document: the app does without, to load sooner. */
const withoutDescriptions = ({ types }) => ({
  visitor: {
    CallExpression(path, state) {
      const { callee, arguments: said } = path.node;
      if (
        /core[\\/]src[\\/](contracts|kinds)[\\/]/.test(state.filename ?? '') &&
        types.isMemberExpression(callee) &&
        types.isIdentifier(callee.property, { name: 'describe' }) &&
        said.length === 1 &&
        (types.isStringLiteral(said[0]) || types.isTemplateLiteral(said[0]))
      )
        path.replaceWith(callee.object);
    },
  },
});

module.exports = (api) => {
  const testing = api.env('test');
  return {
    presets: ['babel-preset-expo'],
    // Jest requires what is loaded later; the app's bundle makes chunks of it
    plugins: [withoutDescriptions, ...(testing ? ['@babel/plugin-transform-dynamic-import'] : [])],
  };
};
