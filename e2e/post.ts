import { expect } from "@playwright/test";

/** Sends JSON to the program's own routes; an answer that is not right fails the test. */
export const posterTo =
  (address: string) =>
  async (place: string, body: unknown): Promise<Record<string, string>> => {
    const response = await fetch(address + place, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify(body),
    });
    expect(response.ok, `${place}: ${response.status}`).toBe(true);
    return (await response.json()) as Record<string, string>;
  };
