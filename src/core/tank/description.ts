import { formatIn } from '../parameters/convert';
import type { Settings } from '../records/schema/settings';
import type { Tank, TankPart } from '../records/schema/tank';
import { dayWords } from '../time/words';
import { dayStart } from '../time/zone';
import { formatFixed, formatPlain } from '../units/format';
import { linearFromCanonical } from '../units/units';
import { usualEffect } from '../water/effect';
import { netVolume } from '../water/volume';
import type { TankFacts } from './tankFacts';

/** Everything that is told of a tank, in the order in which its page tells it. */
export const PARTS = ['name', 'shell', 'rock', 'sump', 'fill', 'light', 'stage', 'gates'] as const;
export type Part = (typeof PARTS)[number];

export function isPart(text: string): text is Part {
  return (PARTS as readonly string[]).includes(text);
}

export const PART_TITLES: Record<Part, string> = {
  name: 'Name and kind',
  shell: 'The glass',
  rock: 'Rock and sand',
  sump: 'Sump',
  fill: 'What went in at the fill',
  light: 'Light while it cycles',
  stage: 'Where it stands',
  gates: 'Before the first fish',
};

/** A sentence of the description. */
export interface Told {
  part: Part;
  title: string;
  /** What is known, or what telling it would change. */
  text: string;
  /** Whether it is still to be told. */
  open: boolean;
}

interface Telling {
  tank: Tank;
  facts: TankFacts;
  settings: Settings;
  now: number;
}

const ROCK_WORDS: Record<Tank['rock'], string> = {
  dryRock: 'dry rock',
  organicDryRock: 'dry rock with old organics on it',
  liveRock: 'live rock',
  establishedMedia: 'rock from another tank',
  none: 'no rock',
};
const LIGHT_WORDS: Record<Tank['lightPlan'], string> = {
  off: 'Off until it has cycled: less algae.',
  on: 'On from the start.',
  onWithSand: 'Off until sand is in, then on once.',
  fullBeforeStocking:
    'Full before the first animal, so that the ugly stage comes and goes in an empty tank.',
};
const KIND_WORDS: Record<Tank['kind'], string> = {
  display: 'a display tank',
  quarantine: 'a quarantine tank',
  other: 'a tank',
};

const TEXTS: Record<Part, (telling: Telling) => string> = {
  name: ({ tank }) => `${tank.name}, ${KIND_WORDS[tank.kind]}.`,
  shell: ({ tank, settings }) => {
    const { shell } = tank.volume;
    if (shell.by === 'label') {
      return `${formatIn(shell.litres, settings.volumeUnit, 0)} on its label.`;
    }
    const length = (cm: number) => formatPlain(linearFromCanonical(cm, settings.lengthUnit), 1);
    const { box } = shell;
    return `${length(box.length)} × ${length(box.width)} × ${length(box.height)} ${settings.lengthUnit} outside, glass of ${formatPlain(box.glass, 1)} mm, water ${length(box.fillGap)} ${settings.lengthUnit} below the rim.`;
  },
  rock: ({ tank, settings }) => {
    const { rockKg, sandDepth } = tank.volume;
    const rock =
      rockKg === 0
        ? ROCK_WORDS.none
        : `${formatPlain(linearFromCanonical(rockKg * 1000, settings.massUnit), 1)} ${settings.massUnit} of ${ROCK_WORDS[tank.rock]}`;
    const sand =
      sandDepth === 0
        ? 'no sand'
        : `${formatPlain(linearFromCanonical(sandDepth, settings.lengthUnit), 1)} ${settings.lengthUnit} of sand`;
    return `${rock}, ${sand}.`.replace(/^./, (letter) => letter.toUpperCase());
  },
  sump: ({ tank, settings }) => {
    const { sump } = tank.volume;
    if (!sump) return 'None.';
    const litres =
      sump.by === 'litres' ? sump.litres : (sump.length * sump.width * sump.waterDepth) / 1000;
    return `${formatIn(litres, settings.volumeUnit, 0)} of water while the pump runs.`;
  },
  fill: ({ tank, settings }) => {
    const fill = tank.volume.measuredAtFill;
    if (!fill) return 'Not counted: the geometry decides.';
    const { net } = netVolume(tank.volume);
    return `${formatIn(net, settings.volumeUnit, 0)}, ${fill.by === 'litres' ? 'counted' : 'by time and rate'}.`;
  },
  light: ({ tank }) => LIGHT_WORDS[tank.lightPlan],
  stage: ({ facts, tank, now }) => {
    const day = (text: string) => dayWords(dayStart(text, tank.zone), tank.zone, now);
    if (!facts.filledOn) return 'Not filled yet.';
    if (facts.runningSince) return `Running, with animals, since ${day(facts.runningSince)}.`;
    return `Filled on ${day(facts.filledOn)}, cycling.`;
  },
  gates: ({ facts, tank, now }) => {
    const lid = facts.lid ? 'A lid is fitted' : 'No lid yet';
    const heater = facts.heaterVerifiedOn
      ? `the heater was checked against a thermometer on ${dayWords(dayStart(facts.heaterVerifiedOn, tank.zone), tank.zone, now)}`
      : 'the heater was not checked against a thermometer yet';
    return `${lid}; ${heater}.`;
  },
};

const LATER: readonly string[] = ['rock', 'sump', 'fill', 'light'] satisfies TankPart[];

/** A tank as its page describes it, sentence by sentence. */
export function describeTank(telling: Telling): Told[] {
  const { tank } = telling;
  const notEntered: readonly string[] = tank.notEntered ?? [];
  return PARTS.map((part) => {
    const open = LATER.includes(part) && notEntered.includes(part);
    const effect = open ? usualEffect(part as TankPart, tank.volume) : null;
    return {
      part,
      title: PART_TITLES[part],
      text: open ? `Not told yet. ${effect ?? ''}`.trim() : TEXTS[part](telling),
      open,
    };
  });
}

/** The sentence over it all: how much water there is, and how sure that is. */
export function waterSentence(tank: Tank, { volumeUnit }: Settings): string {
  const { net, range, basis } = netVolume(tank.volume);
  const figure = (litres: number) => formatFixed(linearFromCanonical(litres, volumeUnit), 0);
  const from = {
    label: 'by its label',
    dimensions: 'by its measures',
    fill: 'counted at the fill',
  }[basis];
  return `About ${formatIn(net, volumeUnit, 0)} of water ${from}, likely ${figure(range.low)} to ${figure(range.high)}. Every dose is sized by it.`;
}
