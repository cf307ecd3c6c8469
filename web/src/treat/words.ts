import type { RuleSent } from "./queries";
import { grouped } from "../shared/money";

/** How far a rule goes by itself. */
export const WAY: Record<RuleSent["way"], string> = {
  SUGGESTS: "suggests it",
  WAITS: "has it ready, one button books all of them",
  POSTS: "posts it by itself",
};

export const DIRECTION: Record<RuleSent["direction"], string> = {
  TO_US: "money to us",
  FROM_US: "money from us",
  EITHER: "money either way",
};

/** Which entries a rule takes, as a sentence. */
export function takes(rule: RuleSent, account: (id: number) => string): string {
  const said = [
    ...rule.words.map((word) => `“${word}”`),
    ...(rule.counterparty ? [`from or to “${rule.counterparty}”`] : []),
    ...(rule.counterpartyAccount ? [`account ${rule.counterpartyAccount}`] : []),
  ];
  const size =
    rule.least && rule.most
      ? `, ${grouped(rule.least)} to ${grouped(rule.most)}`
      : rule.least
        ? `, from ${grouped(rule.least)}`
        : rule.most
          ? `, up to ${grouped(rule.most)}`
          : "";
  const where = rule.bankAccountId ? ` on ${account(rule.bankAccountId)}` : "";
  return `${DIRECTION[rule.direction]}, ${said.join(" and ")}${size}${where}`;
}

/** To which accounts it goes. */
export function goes(rule: RuleSent): string {
  return rule.shares
    .map((share) => {
      const part = rule.shares.length > 1 ? `${share.percent} % ` : "";
      const tax = share.taxPercent > 0 ? `, ${share.taxPercent} % tax in it` : "";
      return `${part}${share.account ?? ""}${tax}`;
    })
    .join("; ");
}
