import { sheets } from '@/features/pieces';
import { partOf } from '@/ui/piece';

export default partOf(sheets, 'SpreadsheetScreen');
