import { freeAmmoniaFraction } from '../src/core';
import { defineCommand } from './command';
import { CliError } from './errors';
import { needed, number, text } from './flags';
import { convertQuantity } from './quantity';
import { compatibleJson, speciesJson } from './stock';

// Commands that ask for no log.

export const convert = defineCommand({
  usage: 'convert "53.07 mS/cm" --to ppt --temp 25',
  does: 'a quantity in another unit (--of NH4 for a bare ppm)',
  flags: { to: text, temp: number(-2, 45), of: text },
  run: ({ positionals, values }) => {
    if (values.to === undefined) throw new CliError('Say the unit to convert to with --to.');
    const quantity = positionals.join(' ');
    if (quantity === '') throw new CliError('Give a quantity, such as "53.07 mS/cm".');
    const { of, temp: temperature } = values;
    return convertQuantity(quantity, values.to, {
      ...(of === undefined ? {} : { of }),
      ...(temperature === undefined ? {} : { temperature }),
    });
  },
});

export const ammonia = defineCommand({
  usage: 'ammonia --tan 1 --ph 8.1 --temp 25 --salinity 35',
  does: 'how much of total ammonia is free',
  flags: {
    tan: number(0, 1000),
    ph: number(0, 14),
    temp: number(0, 40),
    salinity: number(0, 45),
  },
  run: ({ values }) => {
    const tan = needed(values.tan, 'tan');
    const fraction = freeAmmoniaFraction(
      needed(values.ph, 'ph'),
      needed(values.temp, 'temp'),
      needed(values.salinity, 'salinity'),
    );
    return {
      freeFraction: Number(fraction.toPrecision(6)),
      freeAmmoniaN: Number((tan * fraction).toPrecision(6)),
    };
  },
});

export const species = defineCommand({
  usage: 'species [TEXT]',
  does: 'rows of the catalogue',
  flags: {},
  run: ({ positionals }) => speciesJson(positionals.join(' ')),
});

export const compatible = defineCommand({
  usage: 'compatible "A" "B" … [--litres N] [--length CM]',
  does: 'what stands between them',
  flags: { litres: number(1, 100_000), length: number(1, 100_000) },
  run: ({ positionals, values }) => {
    if (positionals.length === 0) throw new CliError('Name at least one animal.');
    return compatibleJson(positionals, values.litres, values.length);
  },
});
