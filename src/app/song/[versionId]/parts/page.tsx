import { PartsRoom } from "@/rooms/parts/PartsRoom";

export default function Page() {
  return <PartsRoom />;
}
