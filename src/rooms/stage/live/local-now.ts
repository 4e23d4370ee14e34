/** This device's clock, ms. It goes on while the device sleeps, as the server's does. */
export const localNow = (): number => Date.now();
