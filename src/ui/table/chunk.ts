// Tables and long lists with the packages under them, fetched as one piece (decision 29).
export { DataTable } from './DataTable';
export { LongList } from './LongList';
