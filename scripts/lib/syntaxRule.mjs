// A rule of the linter for the shapes of code that a part of the project does without: it is told
// them as selectors, each with what to do in its place.
export default {
  meta: { name: 'shapes' },
  rules: {
    none: {
      meta: { schema: false },
      create: (context) =>
        Object.fromEntries(
          context.options.map(({ selector, message }) => [
            selector,
            (node) => context.report({ node, message }),
          ]),
        ),
    },
  },
};
