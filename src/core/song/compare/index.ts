export { compareVersions } from "./compare-versions";
export { differsIn, tellDiffers } from "./differs";
export { differencesFrom, likenesses, type Similarity } from "./similarity";
