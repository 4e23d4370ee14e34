import { PlantedPage } from "@/rooms/keys/PlantedPage";

export default function Page() {
  return <PlantedPage />;
}
