// Tables and long lists with the packages under them, fetched as one piece (see docs/decisions.md).
export { DataTable } from './DataTable';
export { LongList } from './LongList';
