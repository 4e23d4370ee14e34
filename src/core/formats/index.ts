export * from "./chord-text";
export { versionOfSheet } from "./to-version";
