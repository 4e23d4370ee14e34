export { differencesFrom, likenesses, type Similarity } from "./similarity";
export { compareVersions } from "./versions";
