import { test } from '../e2e/app';
import { faultsInOrder, Trial } from './trial';

/** `npm run faults`: how many, and from which seed, so that a bad run can be had again. */
const COUNT = Number(process.env.ABLE_FAULTS ?? 1_000);
const SEED = process.env.ABLE_SEED ?? new Date().toISOString();
/** Faults of one attempt. */
const A_ROUND = 25;

for (let round = 0; round * A_ROUND < COUNT; round += 1) {
  const seed = `${SEED} ${round}`;
  test(`${Math.min(A_ROUND, COUNT - round * A_ROUND)} faults, seed "${seed}"`, async ({ ownApp }) => {
    test.setTimeout(A_ROUND * 90_000);
    const trial = new Trial(ownApp, seed);
    await trial.begin();
    for (const fault of faultsInOrder(Math.min(A_ROUND, COUNT - round * A_ROUND), seed))
      await test.step(fault, () => trial.suffer(fault));
    await trial.agree();
    await trial.end();
  });
}
