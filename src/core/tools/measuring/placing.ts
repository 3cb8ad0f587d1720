/** Where an instrument lies: its zero (the middle of a protractor) from the corner of what is measured on, in pixels at 100 %, and its turn. */
export interface Laid {
  readonly x: number;
  readonly y: number;
  /** Degrees counterclockwise, from 0 up to 360; 0 = level. */
  readonly angle: number;
  readonly flipped: boolean;
}

/** An angle from 0 up to 360, to a tenth of a degree. */
export const angleOf = (degrees: number): number => {
  const turned = ((degrees % 360) + 360) % 360;
  const rounded = Math.round(turned * 10) / 10;
  return rounded === 360 ? 0 : rounded;
};

/** An instrument whose zero stays inside the room that it is used in. */
export function laidIn(laid: Laid, room: { readonly width: number; readonly height: number }): Laid {
  const within = (value: number, most: number) => Math.max(0, Math.min(Math.max(0, most), value));
  return {
    ...laid,
    x: within(laid.x, room.width),
    y: within(laid.y, room.height),
    angle: angleOf(laid.angle),
  };
}

/** The angle from one point to another on the screen (y grows downwards), counterclockwise from the right. */
export const angleTo = (
  from: { readonly x: number; readonly y: number },
  to: { readonly x: number; readonly y: number },
): number => angleOf((Math.atan2(from.y - to.y, to.x - from.x) * 180) / Math.PI);
