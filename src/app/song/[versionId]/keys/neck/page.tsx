import { NeckPage } from "@/rooms/keys/NeckPage";

export default function Page() {
  return <NeckPage />;
}
