export { type PedalPlan, planPedals } from "./pedals";
