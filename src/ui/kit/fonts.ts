/** Fetches the shipped faces of a family now, so that nothing waits for them later, or goes without when the network is down. */
export async function loadFaces(family: RegExp): Promise<void> {
  const faces = [...document.fonts].filter((face) => family.test(face.family));
  await Promise.all(faces.map((face) => face.load()));
}
