import { LedgerPage } from "@/rooms/sounds/ledger/LedgerPage";

export default function Page() {
  return <LedgerPage />;
}
