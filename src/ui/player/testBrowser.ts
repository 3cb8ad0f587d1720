import { preloadDialogs } from './dialogs/Dialog';

/**
 * What the question screen asks of a browser and jsdom has not, for unit tests.
 * @param seeing whether what is looked for below the edge has been on screen
 */
export async function prepareBrowser(seeing: () => boolean = () => true): Promise<void> {
  // As the player does before anything is asked: a dialog that must be fetched first comes late on a busy machine.
  await preloadDialogs();
  Element.prototype.scrollIntoView = () => undefined;
  Element.prototype.scrollTo = () => undefined;
  // jsdom computes no styles of pseudo-elements and says so at every dialog.
  const computed = window.getComputedStyle.bind(window);
  window.getComputedStyle = (element) => computed(element);
  Object.assign(globalThis, {
    IntersectionObserver: class {
      constructor(private readonly tell: (entries: object[]) => void) {}
      observe(target: Element): void {
        const isIntersecting = seeing();
        const intersectionRect = { height: isIntersecting ? 50 : 0 };
        this.tell([{ target, isIntersecting, intersectionRatio: Number(isIntersecting), intersectionRect }]);
      }
      unobserve(): void {
        /* nothing more is told */
      }
      disconnect(): void {
        /* nothing more is told */
      }
    },
  });
}
