export * from "./box";
export * from "./delay";
export * from "./evening";
export * from "./hearing";
export * from "./of-song";
export * from "./pedals";
export * from "./plan";
export * from "./sound";
