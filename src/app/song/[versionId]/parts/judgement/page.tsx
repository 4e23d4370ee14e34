import { JudgementPage } from "@/rooms/parts/judgement/JudgementPage";

export default function Page() {
  return <JudgementPage />;
}
