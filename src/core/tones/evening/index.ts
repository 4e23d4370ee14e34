export {
  type EveningBank,
  type EveningBanks,
  type EveningSlot,
  type EveningSong,
  eveningBanks,
} from "./evening-banks";
