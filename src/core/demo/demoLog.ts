import type { KitTemplateId } from '../parameters/registry';
import { FIRST_KITS, kitFrom } from '../records/kitTemplates';
import type { Kit } from '../records/schema/kit';
import type { Revision } from '../records/schema/revision';
import { METRIC_SETTINGS, SETTINGS_ID } from '../records/schema/settings';
import { addFulmar } from './fulmar';
import { addKittiwake } from './kittiwake';
import { addQuarantine } from './quarantine';
import { addMaintenance } from './maintenance';
import type { Kits } from './shared';
import { DemoWriter, type DemoContext } from './writer';

/**
 * An invented keeper's log with four tanks, dated back from `now`: one on day 19 of its cycle, one
 * five months old, a spare for quarantine with fish in it, and a tub for corals.
 */
export function demoLog(context: DemoContext): Revision[] {
  const writer = new DemoWriter(context);
  const kits = addKits(writer);
  writer.addAs(SETTINGS_ID, writer.act(writer.when(150, '09:00')), 'settings', {
    ...METRIC_SETTINGS,
    currency: '€',
  });
  const kittiwake = addKittiwake(writer, kits, context.zone);
  const fulmar = addFulmar(writer, kits, context.zone);
  addQuarantine(writer, kits, context.zone, fulmar);
  addMaintenance(writer, fulmar, kittiwake);
  return writer.revisions;
}

function addKits(writer: DemoWriter): Kits {
  const stamp = writer.act(writer.when(150, '09:05'));
  const extra: KitTemplateId[] = ['phosphateMeter', 'calciumDrops', 'magnesiumDrops'];
  const kits: Partial<Kits> = {};
  [...FIRST_KITS, ...extra].forEach((template, index) => {
    const kit: Kit = {
      ...kitFrom(template, index, !extra.includes(template)),
      expiresOn: template.endsWith('Card') ? writer.day(-240) : null,
    };
    const sharp: Kit =
      template === 'refractometer'
        ? { ...kit, scale: { form: 'digital', resolution: 0.1, accuracy: 0.7, compensated: true } }
        : kit;
    const counted: Kit =
      template === 'nitrateCard'
        ? { ...sharp, pack: { tests: 50, since: writer.day(120) } }
        : sharp;
    kits[template] = { id: writer.add(stamp, 'kit', counted), kit: counted };
  });
  return kits as Kits;
}
