import { gridOf, type PartitionModel } from '@/core/interactions/partition';

type Shape = PartitionModel['shape'];

/** Units of the drawing of each shape. */
export const SIZE: Readonly<Record<Shape, { readonly width: number; readonly height: number }>> = {
  circle: { width: 260, height: 260 },
  bar: { width: 520, height: 96 },
  grid: { width: 360, height: 240 },
};

/** The outline of one part: a slice clockwise from the top, a piece of the bar from the left, a cell row by row. */
export function partPath(shape: Shape, index: number, parts: number): string {
  const { width, height } = SIZE[shape];
  if (shape === 'bar') {
    const each = width / parts;
    return `M${index * each} 0h${each}v${height}h${-each}z`;
  }
  if (shape === 'grid') {
    const { rows, columns } = gridOf(parts);
    const [w, h] = [width / columns, height / rows];
    return `M${(index % columns) * w} ${Math.floor(index / columns) * h}h${w}v${h}h${-w}z`;
  }
  const r = width / 2;
  if (parts === 1) return `M${r} 0A${r} ${r} 0 1 1 ${r - 0.01} 0z`;
  const at = (part: number) => {
    const angle = (part / parts) * 2 * Math.PI - Math.PI / 2;
    return `${r + r * Math.cos(angle)} ${r + r * Math.sin(angle)}`;
  };
  return `M${r} ${r}L${at(index)}A${r} ${r} 0 ${parts === 1 ? 1 : 0} 1 ${at(index + 1)}z`;
}
