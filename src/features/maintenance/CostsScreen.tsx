import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { moneyWords } from '@/core/costs/money';
import { byKind, isRunning, monthsOf, paidFor } from '@/core/costs/costs';
import { COSTS } from '@/core/records/kinds/cost';
import { monthWords } from '@/core/time/calendar';
import { to } from '@/frame/addresses';
import { logPath } from '@/frame/logPaths';
import { TankHead } from '@/frame/TankHead';
import { ReadMore } from '@/frame/ReadMore';
import { useAppDispatch, useAppSelector, useTyped } from '@/store/hooks';
import { selectHistory } from '@/store/inView';
import { changeSettings } from '@/store/settings';
import { selectNow, selectSettings } from '@/store/selectors';
import { Choice } from '@/ui/Choice';
import { BarsChart } from '@/ui/Drawing';
import { Field } from '@/ui/Field';
import { Button } from '@/ui/Press';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';
import { PacksPart } from './PacksPart';
import { useHistories } from './useMaintenance';

const MONTHS = 6;
/** A sign or letters that a currency has. */
const CURRENCY_LETTERS = 8;

/** What tanks cost, bought and running, by month and by kind. */
export function CostsScreen() {
  const router = useRouter();
  const dispatch = useAppDispatch();
  const history = useAppSelector(selectHistory);
  const now = useAppSelector(selectNow);
  const settings = useAppSelector(selectSettings);
  const histories = useHistories();
  const [which, setWhich] = useState<'this' | 'all'>('this');
  const [currency, setCurrency, currencyUsed] = useTyped('costs/currency', settings.currency ?? '');
  if (!history) return null;
  const { zone } = history.tank;
  const paid = paidFor(which === 'all' ? histories : [history]);
  const months = monthsOf(paid, zone, now, MONTHS);
  const running = months.reduce((sum, month) => sum + month.running, 0);
  const all = paid.reduce((sum, { amount }) => sum + amount, 0);
  const money = (amount: number) => moneyWords(amount, settings.currency);
  const short = (month: string) => monthWords(`${month}-01`).slice(0, 3);
  const where = which === 'all' ? 'Your tanks' : history.tank.name;
  const saveCurrency = () => {
    const text = currency.trim().slice(0, CURRENCY_LETTERS);
    currencyUsed();
    void dispatch(
      changeSettings(({ currency: _before, ...rest }) =>
        text === '' ? rest : { ...rest, currency: text },
      ),
    );
  };
  return (
    <Screen
      head={<TankHead place="Costs" />}
      aside={<PacksPart history={history} currency={settings.currency} />}
    >
      <Opening title={all === 0 ? 'No cost is logged.' : `${money(all)} so far.`}>
        {all === 0
          ? 'Log what you care to know: nothing here is judged.'
          : `${where} took ${money(running / MONTHS)} a month to run, over the last ${MONTHS} months.`}
      </Opening>
      {all === 0 ? <ReadMore page="price" /> : null}
      {histories.length > 1 ? (
        <Choice
          bare
          label="Which tanks"
          value={which}
          onChange={setWhich}
          options={[
            { value: 'this', label: history.tank.name },
            { value: 'all', label: 'All tanks' },
          ]}
        />
      ) : null}
      {all === 0 ? null : (
        <>
          <View>
            <SectionHead title="By month" end="dark: bought" />
            <BarsChart
              bars={months.map(({ month, bought, running: runs }) => ({
                label: short(month),
                value: Math.round(bought + runs),
                part: bought,
                below: '',
              }))}
              summary={months
                .map(
                  ({ month, bought, running: runs }) =>
                    `${monthWords(`${month}-01`)}: bought ${money(bought)}, running ${money(runs)}`,
                )
                .join('; ')}
            />
          </View>
          <View>
            <SectionHead title="By kind" />
            {byKind(paid).map(({ of, amount }) => (
              <Row
                key={of}
                title={COSTS[of].name}
                note={isRunning(of) ? 'running' : 'bought'}
                end={money(amount)}
              />
            ))}
          </View>
        </>
      )}
      <Button label="Log a cost" onPress={() => router.push(to.log(logPath('cost')))} />
      <View style={{ gap: 8 }}>
        <Field
          label="Your currency"
          value={currency}
          onChange={(text) => setCurrency(text.slice(0, CURRENCY_LETTERS))}
        />
        {currency.trim() === (settings.currency ?? '') ? null : (
          <Button label="Use it" onPress={saveCurrency} />
        )}
        <Words as="soft">Stands before every figure; nothing is converted.</Words>
      </View>
    </Screen>
  );
}
