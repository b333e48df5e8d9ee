import { practice } from '@/features/pieces';
import { partOf } from '@/ui/piece';

export default partOf(practice, 'AfterScreen');
