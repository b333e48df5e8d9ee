import { stock } from '@/features/pieces';
import { partOf } from '@/ui/piece';

export default partOf(stock, 'QuarantineScreen');
