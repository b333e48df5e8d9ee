import { to } from '@/frame/addresses';
import type { GuidePage } from './page';

/** What is asked about fish, snails and corals. */
export const ANIMALS: readonly GuidePage[] = [
  {
    id: 'first-fish',
    group: 'animals',
    answer:
      'One small, hardy, peaceful one, or a pair: a clownfish, a firefish, a small goby. The quarrelsome come last.',
    text: [
      'Whoever is there first owns the tank. A damsel or a dottyback that settled alone chases all that follow.',
      'The first load is small because the bacteria are few: they double in days where there is food, but not overnight.',
    ],
    does: [
      { label: 'Can I add this today?', open: to.stockPage('add') },
      { label: 'Look animals up', open: '/catalogue' },
    ],
    also: 'beginner fish hardy clownfish starter stocking order',
  },
  {
    id: 'how-many',
    group: 'animals',
    answer:
      'As many as the filter can carry, the room bears and the company allows: three different questions, and the smallest answer counts.',
    text: [
      'The filter grows with food, at most twice as much in a month by the usual pace. Room is a matter of swimming, not of litres alone: a tang needs length.',
      'Add one group at a time and feed as for it a few days before and after. Test ammonia on the next three days.',
    ],
    does: [
      { label: 'What the filter can carry', open: to.stock },
      { label: 'Wishes, and their days', open: to.stockPage('wishes') },
    ],
    also: 'stocking inch per gallon bioload capacity too many',
  },
  {
    id: 'snails',
    group: 'animals',
    answer:
      'Once nitrite is gone and there is something to graze: a green or brown haze on the glass. Earlier they starve.',
    text: [
      'Begin with a few. A clean-up crew bought for a bloom dies when it is eaten, and rots. Snails take salinity harder than fish: drip them slowly.',
      'They carry parasites of fish only as water does: rinsed, and best kept apart for weeks where fish are to be safe.',
    ],
    does: [
      { label: 'How many graze what grows', open: to.stockPage('growth') },
      { label: 'Acclimate from the bag', open: to.acclimate() },
    ],
    also: 'clean-up crew CUC cleanup hermit crabs when add',
  },
  {
    id: 'quarantine',
    group: 'animals',
    answer:
      'Because the parasites that kill marine fish come with fish, and cannot be treated in a tank with rock and corals. A bare tank, a heater, a sponge filter and hides are enough.',
    text: [
      'Four weeks of watching and eating show most of what a fish brings. Any sign begins the days anew for all that share the water.',
      '**Medicines go by their label and, where you can have one, by a veterinarian.** Copper is measured daily with a test made for it, and never meets a binder.',
    ],
    does: [
      { label: 'Is the quarantine tank ready?', open: to.quarantinePage('readiness') },
      { label: 'Ways through quarantine', open: to.quarantinePage('protocols') },
    ],
    also: 'QT hospital tank ich velvet parasites new fish observation',
  },
  {
    id: 'bag',
    group: 'animals',
    question: 'How do I bring a bag home?',
    answer:
      'Float it for the temperature, measure its salinity, and let the difference decide: fish go quickly or drip for half an hour, snails and shrimps drip longer.',
    text: [
      'A bag that was closed for hours holds ammonium that turns to free ammonia **as soon as it is opened** and pH rises. A long journey therefore means a short acclimation in matched water, not a long drip.',
      'Nothing of the bag’s water goes into the tank.',
    ],
    does: [{ label: 'Measure the bag, get the way in', open: to.acclimate() }],
    also: 'drip acclimation float bag transport shop temperature',
  },
  {
    id: 'not-eating',
    group: 'animals',
    answer:
      'A day or two is normal. Offer small amounts of frozen food twice a day, dim the light, give it a hide, and test the water.',
    text: [
      'Look at who chases it: a fish that is bullied does not eat. Look at its breathing: fast gills are a matter of water or parasites, not of taste.',
      'What is left after ten minutes comes out. After three days without food, thin or breathing fast, it is a case for quarantine and for someone who treats fish.',
    ],
    does: [
      { label: 'Signs of disease', open: to.quarantinePage('outbreak') },
      { label: 'Log a test', open: to.log('test') },
    ],
    also: 'not eating hunger strike starving refuses food new fish',
  },
  {
    id: 'white-spots',
    group: 'animals',
    question: 'White spots: what is it?',
    answer:
      'Most often marine ich (single grains like salt) or velvet (a fine dust, fast breathing). Velvet kills within days: act the same day.',
    text: [
      '**All fish leave the display for treatment elsewhere**, and the display stays without fish until the parasite has starved. Nothing that helps against either is safe with corals, shrimps and snails, whatever a bottle says. Medicines go by their labels alone; ask a veterinarian who treats fish where there is one.',
      'Sand that sticks and scratches that heal are neither: look again after an hour, with a lamp from the side.',
    ],
    does: [
      { label: 'Signs, and what to do', open: to.quarantinePage('outbreak') },
      { label: 'Medicines by their labels', open: to.quarantinePage('medicines') },
    ],
    also: 'white spots ich ick velvet dots salt grains disease sick parasites fallow',
  },
  {
    id: 'missing',
    group: 'animals',
    question: 'Hiding, or gone?',
    answer:
      'Look under the stand and behind the tank first, then into the overflow. Then test ammonia: a body in the rock shows within a day.',
    text: [
      'Wrasses sleep in sand and may stay there for days after a journey. Gobies and shrimps that moult hide for a week.',
      'Do not take the rock apart for it. If ammonia is zero for three days, either it lives or it was eaten.',
    ],
    does: [
      { label: 'A fish on the floor', open: to.run('fishOnFloor') },
      { label: 'Log a test', open: to.log('test') },
    ],
    also: 'missing fish disappeared jumped cannot find dead',
  },
  {
    id: 'corals',
    group: 'animals',
    answer:
      'Soft corals after the tank has held still for some weeks, stony ones after months. Low and in the shade first, higher week by week.',
    text: [
      'They need stable salinity, alkalinity and temperature more than any special figure, and a little nitrate and phosphate.',
      'At night many sting further than they look: leave room. New ones are dipped by the label and looked over for eggs and crabs, with gloves; **never cut zoanthids without gloves and eye protection.**',
    ],
    does: [
      { label: 'Place corals', open: to.stockPage('corals') },
      { label: 'How steady the water is', open: to.water },
    ],
    also: 'coral placement light PAR first coral zoanthids softies LPS SPS sting',
  },
  {
    id: 'anemone',
    group: 'animals',
    answer:
      'Not before the tank has run steadily for half a year, and only with every pump guarded.',
    text: [
      'Anemones walk until they like the place. One that is drawn into a pump can poison the whole tank within hours.',
      'A clownfish does not need one. Corals within its way are stung.',
    ],
    does: [
      { label: 'An anemone in a pump', open: to.run('anemoneInPump') },
      { label: 'Look animals up', open: '/catalogue' },
    ],
    also: 'anemone bubble tip clownfish host nem',
  },
];
