// Stands in for the parts of Zod that the browser never calls: JSON Schema, which the docs script
// writes under Node, and the compiler, which a content policy without eval forbids anyway.
function absent() {
  throw new Error('This part of Zod is left out of the browser bundle; see metro.config.js.');
}
const later = () => absent;
export {
  absent as compile,
  absent as compileFn,
  absent as fromJSONSchema,
  absent as toJSONSchema,
  absent as withParser,
  absent as JSONSchemaGenerator,
  later as createStandardJSONSchemaMethod,
  later as createToJSONSchemaMethod,
};
