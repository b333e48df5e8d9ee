import { bench } from '@/features/pieces';
import { partOf } from '@/ui/piece';

export default partOf(bench, 'BenchScreen');
