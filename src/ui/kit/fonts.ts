/** Fetches the shipped faces of a family now, so that nothing waits for them later, or goes without when the network is down. */
export async function loadFaces(family: RegExp): Promise<void> {
  const faces = [...document.fonts].filter((face) => family.test(face.family));
  await Promise.all(faces.map((face) => face.load()));
}

/**
 * Formulas that were laid out before their font came keep the roots and brackets of the font they had then (Chromium): once it is here
 * they are laid out anew. Gives what stops it.
 */
export function redrawMathsWithFont(): () => void {
  if (!('fonts' in document)) return () => undefined;
  const { fonts } = document;
  const redraw = ({ fontfaces }: FontFaceSetLoadEvent) => {
    if (!fontfaces.some(({ family }) => /Noto Sans Math/.test(family))) return;
    const formulas = [...document.querySelectorAll<MathMLElement>('math')];
    for (const one of formulas) one.style.display = 'none';
    document.body.getBoundingClientRect();
    for (const one of formulas) one.style.removeProperty('display');
  };
  fonts.addEventListener('loadingdone', redraw);
  return () => fonts.removeEventListener('loadingdone', redraw);
}
