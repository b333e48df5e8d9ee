import { rememberLog } from '@/features/shell/whichLog';
import { DemoScreen } from '@/features/welcome/DemoScreen';

export default function Demo() {
  return <DemoScreen remember={() => rememberLog('demo')} />;
}
