export {
  type ReadTab,
  readTab,
  sayTabLoss,
  sayTabProblem,
  type TabLine,
  type TabLoss,
  type TabProblem,
  writeTab,
} from "./tab-text";
