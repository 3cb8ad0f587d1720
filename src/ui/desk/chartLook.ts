/** How the axes of every chart look: in the page's own ink, whatever the scheme. */
export const AXIS = { stroke: 'var(--ink)', tick: { fill: 'var(--ink)' } } as const;
