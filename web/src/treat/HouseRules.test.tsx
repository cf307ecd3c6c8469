import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { serverAnswers, show, usd } from "../testing";
import HouseRulesView from "./HouseRulesView";
import { FromUs } from "./FromUs";
import { ReadyByRule } from "./ReadyByRule";
import { SendRefund } from "./SendRefund";
import { openItem } from "../testing";

const GROUP = { count: 0, amount: usd("0.00"), latest: [] };
const TRIAL = {
  since: "2026-02-28",
  caught: 1,
  right: GROUP,
  elsewhere: GROUP,
  undecided: GROUP,
  wrong: {
    count: 1,
    amount: usd("61.17"),
    latest: [{ id: 4, on: "2026-05-02", amount: usd("61.17"), counterparty: "Quince Cafe", text: "FLOUR" }],
  },
  beyondCap: GROUP,
};
const RULE = {
  id: 3,
  place: 1,
  rule: {
    name: "Charges",
    inUse: true,
    words: ["wire"],
    counterparty: "",
    counterpartyAccount: "",
    direction: "FROM_US",
    cap: usd("20.00"),
    way: "POSTS",
    shares: [{ accountId: 9, account: "6100 Bank fees", percent: 100, taxPercent: 0, words: "" }],
    version: 2,
  },
  madeBy: "osric",
  madeAt: "2026-05-29T10:00:00Z",
  changedBy: "osric",
  changedAt: "2026-05-29T10:00:00Z",
  times: 2,
  lastUsed: "2026-05-28",
  amount: usd("-36.00"),
};
const ME = {
  body: { companies: [{ id: 1, bankAccounts: [{ id: 5, name: "Operating USD", currency: "USD" }] }] },
};
const CHART = {
  "GET /api/ledger-accounts": () => ({ body: [{ id: 9, code: "6100", name: "Bank fees" }] }),
  "GET /api/tax-codes": () => ({ body: [] }),
  "GET /api/me": () => ME,
};

describe("house rules", () => {
  it("shows what would have gone wrong before a treatment can be kept", async () => {
    const calls = serverAnswers({
      ...CHART,
      "GET /api/treatments": () => ({ body: [] }),
      "POST /api/treatments/trial": () => ({ body: TRIAL }),
      "POST /api/treatments": () => ({ status: 201, body: RULE }),
    });
    const { user } = show(<HouseRulesView />, true, true);
    await user.click(await screen.findByRole("button", { name: "New treatment" }));
    const keep = screen.getByRole("button", { name: "Keep this treatment" });
    expect((keep as HTMLButtonElement).disabled).toBe(true);
    await user.type(screen.getByLabelText("What it is called"), "Charges");
    await user.type(screen.getByLabelText("Words in the name or the text, all of them"), "wire, fee");
    await waitFor(() => expect(screen.getByRole("option", { name: "6100 Bank fees" })).toBeTruthy());
    await user.selectOptions(screen.getByLabelText("Account"), "9");
    await user.type(screen.getByLabelText("Never more than"), "20");
    const aside = screen.getByLabelText("What it would have done");
    await within(aside).findByText("1 entry would have gone wrong");
    expect(within(aside).getByText("FLOUR")).toBeTruthy();
    await user.click(keep);
    await waitFor(() => expect(calls.some((c) => c.name === "POST /api/treatments")).toBe(true));
    expect(calls.find((c) => c.name === "POST /api/treatments")?.body).toMatchObject({
      words: ["wire", "fee"],
      direction: "FROM_US",
      cap: usd("20.00"),
      way: "WAITS",
      shares: [{ accountId: 9, percent: 100, taxPercent: 0 }],
    });
  });

  it("says of each who made it and how often it was used, and lets only a supervisor change it", async () => {
    serverAnswers({ ...CHART, "GET /api/treatments": () => ({ body: [RULE] }) });
    show(<HouseRulesView />);
    const line = await screen.findByLabelText("Treatment Charges");
    expect(line.textContent).toContain("Takes money from us, “wire”; posts it by itself: 6100 Bank fees.");
    expect(line.textContent).toContain("Explains 2 entries, 36.00, last May 28");
    expect(screen.queryByRole("button", { name: "New treatment" })).toBeNull();
    expect(screen.queryByRole("button", { name: "Change Charges" })).toBeNull();
  });
});

const DEBIT = { id: 70, bookedOn: "2026-05-29", amount: usd("-18.00"), text: "WIRE", payer: "Copperbeck" };
const NO_WAYS = { transfers: [], corrections: [], ownAccounts: [], speaksOfOne: false };

describe("what house rules have ready", () => {
  it("is booked all at once, and says what was left alone", async () => {
    const ready = [
      {
        entryId: 70,
        on: "2026-05-29",
        counterparty: "",
        text: "WIRE",
        amount: usd("-18.00"),
        treatment: "Charges",
      },
      {
        entryId: 71,
        on: "2026-05-29",
        counterparty: "",
        text: "FEE",
        amount: usd("-4.50"),
        treatment: "Charges",
      },
    ];
    const calls = serverAnswers({
      "GET /api/ready-by-rule": () => ({ body: ready }),
      "POST /api/ready-by-rule": () => ({
        body: { booked: 1, left: [{ entryId: 71, reason: "Somebody was first." }] },
      }),
    });
    const { user } = show(<ReadyByRule />);
    await user.click(await screen.findByRole("button", { name: "Book 2 that house rules have ready…" }));
    expect(screen.getByRole("dialog").textContent).toContain("WIRE");
    await user.click(screen.getByRole("button", { name: "Book 2" }));
    expect(await screen.findByText("1 entry left alone: Somebody was first.")).toBeTruthy();
    expect(calls.find((c) => c.name === "POST /api/ready-by-rule")?.body).toEqual({ entryIds: [70, 71] });
  });
});

describe("money from us", () => {
  it("asks why, where something speaks against the house rule", async () => {
    const calls = serverAnswers({
      "GET /api/entries/70/ways": () => ({
        body: {
          ...NO_WAYS,
          treatment: {
            treatmentId: 3,
            name: "Charges",
            way: "SUGGESTS",
            why: "Quince Cafe is owed 18.00. It may pay that.",
            withinCap: true,
            parts: [{ account: "6100 Bank fees", amount: usd("18.00"), tax: usd("1.02"), words: "" }],
          },
        },
      }),
      "GET /api/entries/70/refunds": () => ({ body: { sent: [], owed: [] } }),
      "GET /api/entries/70/taken-back": () => ({ body: [] }),
      "POST /api/entries/70/treatment": () => ({ status: 201, body: { id: 8 } }),
    });
    let gone = false;
    const { user } = show(<FromUs debit={DEBIT} done={() => (gone = true)} />);
    const way = await screen.findByLabelText("House rule “Charges”");
    expect(way.textContent).toContain("18.00 to 6100 Bank fees, 1.02 of it tax");
    await user.click(within(way).getByRole("button", { name: "Book it so…" }));
    await user.type(screen.getByLabelText("Why it is something else"), "a fee");
    await user.click(screen.getByRole("button", { name: "Book it all the same" }));
    await waitFor(() => expect(gone).toBe(true));
    expect(calls.find((c) => c.name === "POST /api/entries/70/treatment")?.body).toEqual({
      treatmentId: 3,
      despite: "a fee",
    });
  });

  it("offers the other side of a transfer, a refund that is owed, and says what was refused", async () => {
    serverAnswers({
      "GET /api/entries/70/ways": () => ({
        body: {
          ...NO_WAYS,
          transfers: [
            {
              entryId: 71,
              bankAccountId: 2,
              bankAccount: "Lockbox USD",
              on: "2026-05-30",
              days: 1,
              amount: usd("18.00"),
              text: "FROM OPERATING",
              named: true,
              awaitsThis: false,
            },
          ],
        },
      }),
      "GET /api/entries/70/refunds": () => ({
        body: {
          sent: [],
          owed: [
            {
              itemId: 4,
              number: "CN-4",
              customerId: 7,
              customer: "Quince Cafe",
              open: usd("-18.00"),
              itemVersion: 1,
            },
          ],
        },
      }),
      "GET /api/entries/70/taken-back": () => ({ body: [] }),
      "POST /api/entries/70/transfer": () => ({
        status: 409,
        body: { code: "NO_TRANSFER", detail: "One of the two is explained already." },
      }),
    });
    const { user } = show(<FromUs debit={DEBIT} done={() => undefined} />);
    expect(await screen.findByRole("button", { name: "Pay CN-4 out with it" })).toBeTruthy();
    await user.click(screen.getByRole("button", { name: "Join both sides" }));
    expect(await screen.findByText("One of the two is explained already.")).toBeTruthy();
  });
});

describe("a refund that was sent", () => {
  it("takes no more than is owed", async () => {
    const calls = serverAnswers({
      "GET /api/me": () => ME,
      "POST /api/refunds": () => ({ status: 201, body: { id: 5 } }),
    });
    const credit = openItem(4, "CN-4", "-56.00");
    const { user } = show(<SendRefund name="Quince Cafe" items={[credit]} close={() => undefined} />);
    await waitFor(() => expect(screen.getByRole("option", { name: "Operating USD" })).toBeTruthy());
    const amount = screen.getByLabelText("Amount of CN-4");
    await user.clear(amount);
    await user.type(amount, "60");
    expect((screen.getByRole("button", { name: /^Note 60.00/ }) as HTMLButtonElement).disabled).toBe(true);
    await user.clear(amount);
    await user.type(amount, "50");
    await user.click(screen.getByRole("button", { name: "Note 50.00 as sent" }));
    await waitFor(() => expect(calls.some((c) => c.name === "POST /api/refunds")).toBe(true));
    expect(calls.find((c) => c.name === "POST /api/refunds")?.body).toMatchObject({
      bankAccountId: 5,
      items: [{ itemId: 4, amount: usd("-50.00") }],
    });
  });
});
