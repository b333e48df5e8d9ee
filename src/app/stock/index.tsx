import { kept } from '@/features/shell/kept';
import { stock } from '@/features/pieces';
import { partOf } from '@/ui/piece';

export default kept('/stock', partOf(stock, 'StockScreen'));
