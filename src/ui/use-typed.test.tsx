// @vitest-environment happy-dom
import { act } from "react";
import { createRoot, type Root } from "react-dom/client";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import { TextField } from "./TextField";

let root: Root;
const set = vi.fn();
const show = (value: string) =>
  act(async () =>
    root.render(
      <TextField
        label="Place"
        value={value}
        check={(text) => (text === "crow" ? "There is no crow here." : null)}
        onSet={set}
      />,
    ),
  );
const field = (): HTMLInputElement => document.querySelector("input")!;
const alert = (): string | null => document.querySelector("[role=alert]")?.textContent ?? null;
const write = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value")!.set!;
const type = (text: string) =>
  act(async () => {
    field().focus();
    write.call(field(), text);
    field().dispatchEvent(new Event("input", { bubbles: true }));
  });
const press = (key: string) =>
  act(async () => {
    field().dispatchEvent(new KeyboardEvent("keydown", { key, bubbles: true }));
  });

beforeEach(() => {
  vi.stubGlobal("IS_REACT_ACT_ENVIRONMENT", true);
  set.mockClear();
  document.body.innerHTML = "<main></main>";
  root = createRoot(document.querySelector("main")!);
});
afterEach(() => act(async () => root.unmount()));

it("keeps what is being typed when what was set before arrives late", async () => {
  await show("");
  await type("at the bridge");
  await press("Enter");
  expect(set).toHaveBeenCalledExactlyOnceWith("at the bridge");
  await type("crow");
  await press("Enter");
  await show("at the bridge");
  expect(field().value).toBe("crow");
  expect(alert()).toBe("There is no crow here.");
  await press("Escape");
  expect(field().value).toBe("at the bridge");
  expect(alert()).toBeNull();
});

it("goes with the value while nobody types, and after what was typed is set", async () => {
  await show("one");
  await show("two");
  expect(field().value).toBe("two");
  await type("Three ");
  await press("Enter");
  await show("three");
  expect(field().value).toBe("three");
});

it("keeps a cleared field that was cleared before its value came", async () => {
  await show("");
  await type("one");
  await press("Enter");
  await type("");
  await show("one");
  expect(field().value).toBe("");
});

it("does not carry an unfinished text over to another place once the field is left", async () => {
  await show("one");
  await type("crow");
  await act(async () => field().blur());
  expect(alert()).toBe("There is no crow here.");
  await show("another place");
  expect(field().value).toBe("another place");
  expect(alert()).toBeNull();
});
