import { test } from './app';
import { FAULTS, faultsInOrder, Trial } from '../faults/trial';

/** A bounded part of `npm run faults`: every kind of fault, always the same ones. */
test('faults of every kind in the middle of work, and nothing given is lost', async ({ ownApp }) => {
  test.setTimeout(240_000);
  const trial = new Trial(ownApp, 'the same every time');
  await trial.begin();
  for (const fault of faultsInOrder(FAULTS.length, 'the same every time'))
    await test.step(fault, () => trial.suffer(fault));
  await trial.agree();
  await trial.end();
});
