import { RehearseRoom } from "@/rooms/rehearse";

export default function Page() {
  return <RehearseRoom />;
}
