import { lazy } from 'react';

const CatalogueScreen = lazy(async () => ({
  default: (await import('@/features/stock')).CatalogueScreen,
}));

export default function Catalogue() {
  return <CatalogueScreen />;
}
