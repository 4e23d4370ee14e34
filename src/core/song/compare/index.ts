export { compareVersions } from "./compare-versions";
export { differencesFrom, likenesses, type Similarity } from "./similarity";
