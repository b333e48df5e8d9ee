import { plainLife, middlingReef } from './plainLife';
import { followToTheLetter } from './toTheLetter';

const SMALL = { seed: 1, particles: 60, otherParticles: 16, members: 60 };

it('a keeper who goes by the next test alone gets a tank of live rock ready', () => {
  const life = plainLife(middlingReef('liveRock'), [{ day: 1, believed: 1.6 }]);
  const followed = followToTheLetter(life, 1, SMALL);
  expect(followed.ready).toBeLessThan(40);
  expect(followed).toMatchObject({ falsehood: null, raised: 0 });
  expect(followed.tests).toBeLessThanOrEqual(12);
  // A proof needs alkalinity, salinity and temperature, and they are named.
  expect(followed.others).toBeGreaterThanOrEqual(3);
});

it('raises the alkalinity that doses use up, as it is told', () => {
  // Filter bacteria that decay so fast that they have to be fed again and again.
  const weak = middlingReef('liveRock', {
    decay: 0.19,
    quick: 0.05,
    slow: 0.02,
    nitriteGuild: 0.05,
  });
  const followed = followToTheLetter(
    plainLife(weak, [{ day: 1, believed: 1.6 }]),
    1,
    SMALL,
    undefined,
    150,
  );
  expect(followed.doses).toBeGreaterThan(4);
  expect(followed.raised).toBeGreaterThan(0);
});
