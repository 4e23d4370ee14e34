import { describe, expect, it } from "vitest";
import { deviceMeans } from "./device-means";

describe("deviceMeans", () => {
  it("says yes to all that a browser on a safe line has", () => {
    const all = { serviceWorker: {}, wakeLock: {}, mediaDevices: {}, requestMIDIAccess: () => {} };
    const means = deviceMeans({
      isSecureContext: true,
      indexedDB: {},
      EventSource: class {},
      navigator: all,
    });
    expect(means.map(({ can, words }) => [can, words])).toEqual(means.map(() => [true, ""]));
  });

  it("sees what a window has from its kind, and not as its own", () => {
    class Kind {
      get EventSource() {
        return class {};
      }
      get indexedDB() {
        return {};
      }
    }
    const window = Object.assign(new Kind(), { isSecureContext: true, navigator: {} });
    const [follow, alone] = deviceMeans(window);
    expect([follow?.can, alone?.can]).toEqual([true, true]);
  });

  it("says what a phone on a plain line lacks, and what helps", () => {
    const means = deviceMeans({
      isSecureContext: false,
      indexedDB: {},
      EventSource: class {},
      navigator: {},
    });
    const can = Object.fromEntries(means.map((one) => [one.what, one.can]));
    expect(can).toMatchObject({
      "Follow the leader, beat by beat": true,
      "Open the page again with no network": false,
      "Keep the screen lit": true,
      "Pedals and boxes by MIDI": false,
    });
    expect(means.filter((one) => !one.can).every(({ words }) => words.includes("--https"))).toBe(true);
  });
});
