import fc from 'fast-check';
import { entered, left, lit, rowsOf, stepped, waits, type Scan } from '.';

const box = (top: number, leftAt: number, height = 40) => ({ top, bottom: top + height, left: leftAt });

test('what stands side by side is a row, also where one thing is a little lower or higher', () => {
  const things = [box(100, 300), box(0, 0), box(104, 10), box(98, 150, 50), box(200, 0)];
  expect(rowsOf(things, (one) => one).map((row) => row.map(({ left: at }) => at))).toEqual([
    [0],
    [10, 150, 300],
    [0],
  ]);
});
test('boxes whose sides are not their own properties, as those of a browser, are rows too', () => {
  class Side {
    constructor(private readonly at: number) {}
    get top() {
      return 0;
    }
    get bottom() {
      return 40;
    }
    get left() {
      return this.at;
    }
  }
  expect(rowsOf([new Side(50), new Side(10)], (one) => one).map((row) => row.length)).toEqual([2]);
});
test('every thing is in one row, whatever lies where', () => {
  const boxes = fc.array(fc.record({ top: fc.nat(500), left: fc.nat(500) }), { maxLength: 40 });
  fc.assert(
    fc.property(boxes, (all) => {
      const things = all.map((one) => box(one.top, one.left));
      const rows = rowsOf(things, (one) => one);
      expect(new Set(rows.flat()).size).toBe(things.length);
      expect(rows.flat()).toHaveLength(things.length);
    }),
  );
});

type Tree = string | readonly Tree[];
/** What can be come to by waiting and pressing alone. */
function reached(tree: readonly Tree[]): string[] {
  const found: string[] = [];
  const walk = (scan: Scan<Tree>): void => {
    let now = scan;
    for (let i = 0; i < (scan.at(-1)?.items.length ?? 0); i += 1) {
      const thing = lit(now);
      if (typeof thing === 'string') found.push(thing);
      else if (thing) walk(entered(now, thing));
      now = stepped(now);
    }
    // Once around it stands where it began.
    expect(now).toEqual(scan);
  };
  walk([{ items: tree, at: 0 }]);
  return found;
}
test('waiting and pressing reach everything, and once around it is where it began', () => {
  const { tree } = fc.letrec<{ tree: Tree; branch: Tree[] }>((tie) => ({
    tree: fc.oneof({ maxDepth: 4 }, fc.uuid(), tie('branch')),
    branch: fc.array(tie('tree'), { minLength: 1, maxLength: 5 }),
  }));
  const leaves = (one: Tree): string[] => (typeof one === 'string' ? [one] : one.flatMap(leaves));
  fc.assert(
    fc.property(fc.array(tree, { minLength: 1, maxLength: 6 }), (whole) => {
      expect(reached(whole)).toEqual(whole.flatMap(leaves));
    }),
  );
});
test('out again, and never out of the outermost; an empty level stands still', () => {
  const outer: Scan<string> = [{ items: ['a', 'b'], at: 1 }];
  expect(left(entered(outer, ['c']))).toEqual(outer);
  expect(left(outer)).toBe(outer);
  expect(lit(stepped([{ items: [], at: 0 }]))).toBeNull();
  expect(lit(entered(outer, ['c', 'd'], 9))).toBe('d');
});
test('the first thing of a level stays half as long again', () => {
  expect(waits([{ items: ['a', 'b'], at: 0 }], 2)).toBe(3_000);
  expect(waits([{ items: ['a', 'b'], at: 1 }], 2)).toBe(2_000);
});
