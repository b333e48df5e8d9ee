export { renewAsks } from '@/store/asking';
