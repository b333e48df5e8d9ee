// Stands in for the navigators of the router that this app never shows (tabs, native stacks and
// their headers): one Slot and our own rail and bar are all its navigation.
import { createContext } from 'react';

function absent() {
  throw new Error('This navigator is left out of the browser bundle; see metro.config.js.');
}

/** The router's error view asks whether it sits within a tab bar; here it never does. */
export const BottomTabBarHeightContext = createContext(undefined);
/** Called once while the router's own stack module is read; what it returns is never drawn. */
export const createNativeStackNavigator = () => ({ Navigator: absent, Screen: absent });
/** Sets flags of native screens; a browser has none. */
export const initScreensFeatureFlags = () => undefined;
export const isChildOfType = () => false;
export const Stack = absent;
export const Tabs = absent;
export const ExperimentalStack = absent;
export const Sitemap = absent;
export const getNavOptions = absent;
export const LinkWithPreview = absent;
export const Toast = absent;
export const ToastWrapper = absent;
export default absent;
