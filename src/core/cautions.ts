/** Something that can hurt a person or an animal, said once and shown wherever it arises. */
export interface Caution {
  title: string;
  text: string;
}

export const CAUTIONS = {
  strongAmmonia: {
    title: 'Strong ammonia',
    text: 'Gloves and air. Never near bleach or acid: the fumes kill. Only kinds without scent or surfactant, which foam when shaken, belong in a tank.',
  },
  medicine: {
    title: 'By its label and a veterinarian',
    text: 'No amounts are kept here. Medicines go by their label and a veterinarian’s advice; bleach never meets ammonia or acid.',
  },
  fishInCycle: {
    title: 'Hard on the animal',
    text: 'A fish in a tank that cannot clear its ammonia breathes it: gills are harmed from about 0.05 mg/L of free ammonia. Most keepers no longer do it. If you do: one small, hardy fish, never a damsel as a tool; bottled bacteria on the same day; food sparingly; ammonia and pH tested every day; salt water mixed and waiting for a change. Ask a veterinarian about any sign of distress.',
  },
  strongChemicals: {
    title: 'Acid, bleach, peroxide, kalk',
    text: 'Gloves, goggles and open windows; children and pets elsewhere. Never two of them together, never bleach with acid or ammonia: the fumes kill. By the label, rinsed well, and the rest locked away.',
  },
  deadAnimal: {
    title: 'Take it out, then test ammonia',
    text: 'What dies in a tank turns to ammonia within a day. Never release animals, rock or water to the wild; a fish beyond help is a veterinarian’s to decide on.',
  },
  saltTopOff: {
    title: 'Evaporation leaves the salt behind',
    text: 'A top-off is fresh water: salt water in its place raises the salinity with every litre.',
  },
  palytoxin: {
    title: 'Some corals carry palytoxin',
    text: 'Zoanthids and palythoas: gloves and eye protection, and never cut, boil, scrub or dry them at home. Feeling ill after handling them is an emergency: call the emergency number first.',
  },
  venom: {
    title: 'Spines, bites and cuts',
    text: 'Some fish, urchins, worms and anemones sting. Gloves for rock and nets; a sting goes into water as hot as can be borne, at most 45 °C, and a doctor sees what swells or spreads. Buy what is legal, captive-bred where there is any.',
  },
  rockHands: {
    title: 'Gloves with live rock',
    text: 'Bristle worms, mantis shrimps and palythoas live in it. Wash cuts at once: a doctor sees what grows red or warm the same day. A bump on hand or arm weeks later is for a doctor too: say “fish tank”. Never scrub or boil it: what dries or steams can poison a room.',
  },
  unplugFirst: {
    title: 'Unplug it before hands go in',
    text: 'A heater out of water bursts or burns; let it cool, and let wiring be done by a licensed trade.',
  },
  drySalt: {
    title: 'Never dry into a tank with animals',
    text: 'Salt is dissolved apart, moved and aired for an hour at least, and measured before it is poured: grains burn what they land on.',
  },
  electricity: {
    title: 'Water and electricity',
    text: 'Unplug before hands go in. A loop in every cord, a protected outlet, and wiring by a licensed trade.',
  },
  floor: {
    title: 'What the floor bears',
    text: 'That is for a structural engineer to say, not for a sum: ask before it is filled, upstairs above all.',
  },
  glass: {
    title: 'Glass and weight',
    text: 'Empty it before it is moved, two people to each side, gloves on edges. A cracked pane is never filled again.',
  },
  carbonSource: {
    title: 'A carbon source takes oxygen',
    text: 'Only with a skimmer that works and strong air. A little, raised once a week at most; stopped at once where the water clouds or fish gasp.',
  },
  formaldehyde: {
    title: 'Formaldehyde: fumes, oxygen, the law',
    text: 'Gloves, goggles, open windows; children and pets elsewhere: its fumes harm lungs and eyes. It takes oxygen from the water, so strong air first. With a white sediment it has turned poisonous and is not used. By its label, a veterinarian and your local law, which forbids it in some places.',
  },
  kalk: {
    title: 'Kalk burns eyes and skin',
    text: 'Goggles and gloves, and no dust breathed in while it is mixed. Clear lime water alone, dripped slowly into strong flow and never all at once: pH must not pass 8.5. Children and pets elsewhere.',
  },
  caustic: {
    title: 'Caustic two-part burns',
    text: 'Some first parts are lye or soda ash: goggles and gloves, into water and never water onto it. The parts never meet outside the tank, each goes slowly into strong flow with minutes between, and its label’s limit a day holds.',
  },
  blades: {
    title: 'Blades and bites',
    text: 'Tangs carry blades at the tail; triggers, tuskfish, puffers and morays bite deep. No hand-feeding and no bare hands near them: a box or a net. A deep bite, one of a moray above all, is for a doctor the same day.',
  },
  blackout: {
    title: 'Dark water loses oxygen',
    text: 'Air on all the time, fish watched morning and evening, corals for three days at the most.',
  },
  harvest: {
    title: 'Test ammonia after a large harvest',
    text: 'What was torn and left behind rots. Gloves: worms and palythoas live in it.',
  },
  purified: {
    title: 'Not for drinking',
    text: 'Left running alone it wants a float or a leak detector. TDS says nothing of chlorine or chloramine: carbon goes by its labelled litres or a chlorine test.',
  },
} as const satisfies Record<string, Caution>;
