import { describe, expect, it } from "vitest";
import { BOX_PROFILES } from "@/core/loops";
import { tellBuildFeet } from "./tell-build-feet";

const [two] = BOX_PROFILES;

describe("the feet of a build", () => {
  it("are told by the names of the box's pedals", () => {
    expect(
      tellBuildFeet(
        {
          presses: [
            { press: "track", track: 0, at: "start" },
            { press: "track", track: 0, at: "close" },
            { press: "overdub", track: 0, at: "next" },
          ],
        },
        two!,
      ),
    ).toBe("Left to begin; Left to close; Left held to go on at once");
  });

  it("say where the box has no pedal for it", () =>
    expect(tellBuildFeet({ presses: [{ press: "track", track: 4, at: "close" }] }, two!)).toBe(
      "no pedal for track 5 to close",
    ));
});
