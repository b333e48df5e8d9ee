import { kept } from '@/features/shell/kept';
import { cycle } from '@/features/pieces';
import { partOf } from '@/ui/piece';

export default kept('/cycle', partOf(cycle, 'CycleScreen'));
