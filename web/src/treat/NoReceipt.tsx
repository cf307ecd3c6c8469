import { useWays } from "./queries";
import { RuleButton, RuleParts } from "./RuleButton";
import { TransferWay } from "./TransferWay";
import { WayStrip } from "./WayStrip";

/** That money which waits may be no receipt at all: by a house rule, or a transfer. Nothing where it is neither. */
export function NoReceipt({ entryId, done }: { entryId: number; done: () => void }) {
  const ways = useWays(entryId).data;
  if (!ways) {
    return null;
  }
  return (
    <>
      {ways.treatment && (
        <WayStrip
          title={`House rule “${ways.treatment.name}”`}
          action={<RuleButton entryId={entryId} verdict={ways.treatment} done={done} />}
        >
          <RuleParts verdict={ways.treatment} />. {ways.treatment.why}
        </WayStrip>
      )}
      <TransferWay entryId={entryId} fromUs={false} ways={ways} done={done} />
    </>
  );
}
