// Stands in for parts of a package that the browser never calls (see metro.config.js).
export default undefined;
