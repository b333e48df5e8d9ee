import { View } from 'react-native';
import { isCoral, usualDraw, type Placed } from '@/core/corals/placing';
import { consumptionOf } from '@/core/water/consumption';
import { MEQ_PER_DKH } from '@/core/units/constants';
import { formatPlain } from '@/core/units/format';
import { Remark } from '@/ui/Remark';
import { SectionHead } from '@/ui/Row';
import { Words } from '@/ui/Words';
import type { StockView } from '../useStock';

/** What the corals usually draw on alkalinity, against what is measured. */
export function Draw({ stock, placed }: { stock: StockView; placed: readonly Placed[] }) {
  const { history, here, find } = stock;
  const living = here.flatMap(({ species }) => {
    const animal = find(species ?? '');
    return isCoral(animal) ? [animal] : [];
  });
  const corals = [
    ...living,
    ...placed.filter(({ position }) => position.cohort === undefined).map(({ animal }) => animal),
  ];
  if (corals.length === 0) return null;
  const { low, high } = usualDraw(corals, history.netLitres);
  const used = consumptionOf(history, 'alkalinity');
  const measured = used === null ? null : used.perDay / MEQ_PER_DKH;
  return (
    <View style={{ gap: 8 }}>
      <SectionHead title="Alkalinity" />
      <Words as="body">
        {`What lives here and is planned usually draws ${formatPlain(low, 2)} to ${formatPlain(high, 2)} dKH a day${measured === null ? '' : `; ${formatPlain(measured, 2)} was measured`}.`}
      </Words>
      {measured === null ? (
        <Remark>Alkalinity tested weekly would show what they really use.</Remark>
      ) : null}
    </View>
  );
}
