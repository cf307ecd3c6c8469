import { Empty } from "../shared/States";

/** Receipts in the office; there are none, because nothing can be recorded over the counter yet. */
export default function PouchView() {
  return (
    <Empty title="The pouch is empty">
      Cheques, cash and card slips that wait to be banked will stand here. Recording them is not built yet;
      everything now arrives through bank statements.
    </Empty>
  );
}
