export { compareVersions } from "./compare-versions";
export { type Differs, differsIn, tellDiffers } from "./differs";
export { differencesFrom, likenesses, type Similarity } from "./similarity";
