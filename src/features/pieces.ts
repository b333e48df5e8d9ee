import { piece } from '@/ui/piece';

/** The pieces that screens are fetched in: what shares much is one (decision 29). */
export const calculators = piece(() => import('./calculators'));
export const connected = piece(() => import('./connected'));
export const cycle = piece(() => import('./cycle/CycleScreen'));
export const cycleTools = piece(() => import('./cycle/tools'));
export const dailyLife = piece(() => import('./dailyLife'));
export const data = piece(() => import('./data'));
export const demo = piece(() => import('./welcome/DemoScreen'));
export const formScreens = piece(() => import('./formScreens'));
export const guide = piece(() => import('./glossary'));
export const placeOffers = piece(() => import('./placeOffers'));
export const pictures = piece(() => import('./pictures'));
export const photos = piece(() => import('./photos'));
export const practice = piece(() => import('./practice'));
export const runs = piece(() => import('./runs'));
export const search = piece(() => import('./search/SearchScreen'));
export const settings = piece(() => import('./settings/SettingsScreen'));
export const sheets = piece(() => import('./data/sheets'));
export const stock = piece(() => import('./stockAndReport'));
export const tanks = piece(() => import('./tank/TanksScreen'));
export const welcome = piece(() => import('./welcome/WelcomeScreen'));
