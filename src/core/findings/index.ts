export {
  type Finding,
  type Fixing,
  type Gathered,
  gather,
  type Judged,
  judge,
  namesOfPlaces,
  type Place,
} from "./finding";
