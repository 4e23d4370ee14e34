import { ContrastPage } from "@/rooms/parts/contrast/ContrastPage";

export default function Page() {
  return <ContrastPage />;
}
