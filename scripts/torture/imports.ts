import {
  EMPTY_LOG,
  mergeRevisions,
  planImport,
  readLogFile,
  toLogFile,
  writeLogFile,
} from '../../src/core';
import { demoLog } from '../../src/core/demo/demoLog';

const NOW = '2026-11-24T12:00:00.000Z';

/** One way of many to spoil a file: a byte, a stretch, a repetition, an end cut off, a number blown up. */
function spoiled(text: string, chance: () => number): string {
  const at = Math.floor(chance() * text.length);
  const length = Math.floor(chance() * 400);
  switch (Math.floor(chance() * 6)) {
    case 0:
      return text.slice(0, at);
    case 1:
      return text.slice(0, at) + text.slice(at + length);
    case 2:
      return text.slice(0, at) + text.slice(at, at + length) + text.slice(at);
    case 3:
      return text.slice(0, at) + String.fromCharCode(32 + chance() * 90) + text.slice(at + 1);
    case 4:
      return text.slice(0, at) + text.slice(at).replace(/\d+/, '9'.repeat(1 + chance() * 30));
    default:
      return text.slice(0, at) + text.slice(at).replace(/"[a-z]+"/i, '"__proto__"');
  }
}

/**
 * Damaged files into a log that has records. None may throw, none may replace what is there, and
 * whatever is taken must be readable again.
 */
export function torturedByImports(files: number, chance: () => number) {
  let ids = 0;
  const newId = () => {
    ids += 1;
    return `${ids.toString(16).padStart(8, '0')}-0000-7000-8000-${ids.toString(16).padStart(12, '0')}`;
  };
  const make = () => demoLog({ now: Date.parse(NOW), zone: 'UTC', device: 'demo', newId });
  const own = mergeRevisions(EMPTY_LOG, make());
  const whole = writeLogFile(toLogFile(make(), NOW));
  const mine = JSON.stringify(own.tanks);
  const result = { files, refusedWhole: 0, readInPart: 0, threw: 0, replaced: 0, unreadable: 0 };
  for (let n = 0; n < files; n += 1) {
    let text = whole;
    for (let times = 1 + chance() * 4; times >= 1; times -= 1) text = spoiled(text, chance);
    try {
      const reading = readLogFile(text);
      if (!reading.ok) {
        result.refusedWhole += 1;
        continue;
      }
      if (reading.refused.length > 0) result.readInPart += 1;
      const { merged, fresh } = planImport(own, reading.file.records);
      const kept = own.tanks.every((tank) => merged.tanks.some((other) => other.id === tank.id));
      if (!kept || JSON.stringify(own.tanks) !== mine) result.replaced += 1;
      const again = readLogFile(writeLogFile(toLogFile(fresh, NOW)));
      if (!again.ok || again.refused.length > 0) result.unreadable += 1;
    } catch {
      result.threw += 1;
    }
  }
  return result;
}
