import { KeysRoom } from "@/rooms/keys/KeysRoom";

export default function Page() {
  return <KeysRoom />;
}
