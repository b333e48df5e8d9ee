import type { Route } from '../route';
import { aboutRoutes } from './about';
import { askedRoutes } from './asked';
import { counterRoutes } from './counter';
import { monitorRoutes } from './monitor';
import type { Parts } from './parts';

/** Everything that instruments answer to: checks, description and deed of each in one place. */
export function routesOf(parts: Parts): Route[] {
  return [
    ...aboutRoutes(parts),
    ...monitorRoutes(parts),
    ...askedRoutes(parts),
    ...counterRoutes(parts),
  ];
}
