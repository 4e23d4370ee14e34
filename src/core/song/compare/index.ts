export { differencesFrom, type Similarity, likenesses } from "./similarity";
export { compareVersions } from "./versions";
