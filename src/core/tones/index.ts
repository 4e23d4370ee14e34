export * from "./delay";
export * from "./pedals";
export * from "./plan";
