import type { ComponentType } from 'react';
import type { StockPage as Page } from '@/core/opens';
import { BackHead } from '@/frame/BackHead';
import { Opening, Screen } from '@/ui/Screen';
import { AddScreen } from './AddScreen';
import { CoralsScreen } from './corals/CoralsScreen';
import { GrowthScreen } from './GrowthScreen';
import { LossesScreen } from './LossesScreen';
import { OwnAnimalScreen } from './OwnAnimalScreen';
import { WishesScreen } from './WishesScreen';

type Given = Readonly<Record<string, string>>;

/** The pages under Stock by their address. */
const PAGES: Record<Page, ComponentType<{ given: Given }>> = {
  add: AddScreen,
  wishes: WishesScreen,
  losses: LossesScreen,
  growth: GrowthScreen,
  corals: CoralsScreen,
  own: OwnAnimalScreen,
};

function isPage(name: string): name is Page {
  return Object.hasOwn(PAGES, name);
}

/** What an address under Stock opens. */
export function StockPage({ page, given }: { page: string; given: Given }) {
  const Found = isPage(page) ? PAGES[page] : undefined;
  if (Found) return <Found given={given} />;
  return (
    <Screen head={<BackHead title="Stock" />}>
      <Opening title="There is no such page.">Go back to Stock.</Opening>
    </Screen>
  );
}
