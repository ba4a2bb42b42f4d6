/** Takes the focus once it is on the page: the keyboard and what reads the screen go on from there. */
export const focused = (heading: HTMLElement | null): void => heading?.focus({ preventScroll: true });
