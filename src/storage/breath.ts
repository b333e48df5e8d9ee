/** Lets the page answer what waits, between two slices of long work. */
export const breath = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 0));
