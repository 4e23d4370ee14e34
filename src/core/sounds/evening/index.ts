export {
  type EveningBanks,
  eveningBanks,
} from "./evening-banks";
