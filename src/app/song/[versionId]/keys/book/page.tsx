import { connection } from "next/server";
import { ShapeBookPage } from "@/rooms/keys/ShapeBookPage";
import { openDatabase } from "@/server/db/open-database";
import { chosenOften } from "@/server/documents/chosen-often";

export default async function Page() {
  await connection();
  return <ShapeBookPage often={await chosenOften(await openDatabase())} />;
}
