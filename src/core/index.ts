/**
 * The public face of the core. Everything here is pure: time comes in as an argument, chance as a
 * seed, and nothing knows of a screen. The demo log (core/demo) is imported on its own, so that it
 * stays out of the first load.
 */
export * from './cycle/forecast/rangeWords';
export type * from './cycle/forecast/types';
export * from './cycle/milestones';
export * from './cycle/succession';
export * from './cycle/sentence';
export { bandWords } from './cycle/verdict/conditions';
export { NITRITE_SPOILS_NITRATE, nitriteSpoils } from './cycle/verdict/chain';
export * from './cycle/verdict/schools';
export * from './cycle/verdict/types';
export { verdictOf } from './cycle/verdict/verdict';
export { isStale } from './cycle/verdict/zero';
export * from './history/dose';
export * from './history/reading';
export * from './history/shown';
export * from './history/tankHistory';
export * from './history/trend';
export * from './math/interval';
export * from './meaning/freeAmmonia';
export * from './meaning/sitting';
export * from './parameters/bands';
export * from './parameters/convert';
export * from './parameters/plausible';
export * from './parameters/registry';
export * from './records/acts';
export * from './records/file';
export * from './records/kitTemplates';
export * from './records/log';
export * from './records/schema/common';
export * from './records/schema/entry';
export * from './records/schema/kit';
export * from './records/schema/revision';
export * from './records/schema/settings';
export * from './records/schema/tank';
export * from './seawater/ammonia';
export * from './seawater/conductivity';
export * from './seawater/density';
export * from './seawater/salinity';
export * from './seawater/specificGravity';
export * from './tasks/due';
export type { DueTask } from './tasks/types';
export * from './time/words';
export * from './time/zone';
export * from './units/constants';
export * from './units/format';
export * from './units/units';
export * from './water/volume';
