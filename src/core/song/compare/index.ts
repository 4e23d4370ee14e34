export { differencesFrom, type Likeness, likenesses } from "./likeness";
export { compareVersions } from "./versions";
