import { useMutation } from "@tanstack/react-query";
import { api, data, type Schemas } from "../api/client";
import { useBooks, useSession } from "../access/session";
import { Quiet } from "./Quiet";

/** The simulated scanner, there in the demonstration only: it reads the foot of the next cheque and takes its picture. */
export function ScanCheque({ scanned }: { scanned: (cheque: Schemas["ScannedView"]) => void }) {
  const books = useBooks();
  const session = useSession();
  const scan = useMutation({
    mutationFn: async () =>
      data(await api.POST("/api/outside/scanner/cheque", { params: { query: { company: books.company } } })),
    onSuccess: scanned,
  });
  if (!session.data?.demo) {
    return null;
  }
  return (
    <>
      <Quiet onClick={() => scan.mutate()}>Scan a cheque (simulated)</Quiet>
      {scan.error && <span role="alert">{scan.error.message}</span>}
    </>
  );
}
