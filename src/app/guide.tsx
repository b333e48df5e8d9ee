import { guide } from '@/features/pieces';
import { partOf } from '@/ui/piece';

export default partOf(guide, 'GuideScreen');
