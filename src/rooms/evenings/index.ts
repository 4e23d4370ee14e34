export { IntoEvening } from "./IntoEvening";
