import { ok } from "@/base";
import { type OfferQuestion, priceOffers, type ToneCase, type ToneOffer, type TonePlan } from "@/core/sounds";
import { roomEngine } from "../engine";

export type ToneOffersQuestion = {
  readonly asked: ToneCase;
  readonly plan: TonePlan;
  readonly section: string;
  readonly questions: readonly OfferQuestion[];
};

/** Ways out of a change that is heard, with what the song then costs. */
export const toneOffers = roomEngine({
  name: "tone-offers",
  steps: null,
  compute: ({ asked, plan, section, questions }: ToneOffersQuestion) =>
    ok<readonly ToneOffer[]>(priceOffers(asked, plan, section, questions)),
});
