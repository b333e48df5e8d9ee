import { calculators } from '@/features/pieces';
import { partOf } from '@/ui/piece';

export default partOf(calculators, 'CalculatorsScreen');
