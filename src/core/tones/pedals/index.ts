export { type PedalPlan, type PedalSection, planPedals } from "./pedals";
