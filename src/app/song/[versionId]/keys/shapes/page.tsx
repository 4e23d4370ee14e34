import { ShapesPage } from "@/rooms/keys/ShapesPage";

export default function Page() {
  return <ShapesPage />;
}
