// Stock and the report of a tank in one piece: they rest on the same catalogue, roster and plan, which would
// otherwise land in the first load (decision 29).
export * from './stock';
export { ReportScreen } from './report/ReportScreen';
