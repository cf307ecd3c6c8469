import { act, screen } from "@testing-library/react";
import { beforeEach, describe, expect, it, vi } from "vitest";
import { Refusal, type Schemas } from "../api/client";
import { show } from "../testing";
import { useIntaking } from "./intaking";
import { OnItsWay } from "./OnItsWay";
import type { Outcome, Progress } from "./send";
import { TakeIn } from "./TakeIn";

/** Files that the page sends, each to be ended by the test. */
const sent: {
  file: File;
  asked: { around?: boolean };
  tell: (progress: Progress) => void;
  end: (more: Omit<Outcome, "file">) => void;
  stopped: boolean;
}[] = [];

vi.mock("./send", () => ({
  send: (file: File, _: number, asked: object, tell: (progress: Progress) => void) => {
    const one = {
      file,
      asked,
      tell,
      end: (() => undefined) as (more: Omit<Outcome, "file">) => void,
      stopped: false,
    };
    const outcome = new Promise<Outcome>((resolve) => {
      one.end = (more) => resolve({ file, ...more });
    });
    sent.push(one);
    return { outcome, stop: () => (one.stopped = true) };
  },
}));

beforeEach(() => {
  sent.length = 0;
});

const INTAKE = { id: 1, fresh: 3 } as Schemas["IntakeView"];

function Page() {
  const { items, take } = useIntaking();
  return (
    <>
      <button onClick={() => take([new File(["x"], "a.csv"), new File(["y"], "b.csv")])}>both</button>
      <button onClick={() => take([new File(["x"], "c.csv")], true)}>around</button>
      <OnItsWay />
      {items.map((item) => (
        <p key={item.key}>
          {item.file.name} {item.outcome ? (item.outcome.refusal?.message ?? "came in") : "is on its way"}
        </p>
      ))}
    </>
  );
}

function page() {
  return show(
    <TakeIn>
      <Page />
    </TakeIn>,
  );
}

describe("taking files in", () => {
  it("sends one after the other and tells what became of each", async () => {
    const { user } = page();
    await user.click(screen.getByText("both"));
    expect(sent).toHaveLength(1);
    act(() => sent[0]?.tell({ phase: "KEEPING", done: 10, total: 40 }));
    expect(screen.getByText("a.csv: 10 of 40 records kept; 1 file after it")).toBeTruthy();
    sent[0]?.end({ intake: INTAKE });
    await screen.findByText("a.csv came in");
    await vi.waitFor(() => expect(sent).toHaveLength(2));
    sent[1]?.end({ refusal: new Refusal(422, "BROKEN_FILE", "Line 2 is odd.") });
    await screen.findByText("b.csv Line 2 is odd.");
    // what comes next is told alone
    await user.click(screen.getByText("around"));
    expect(screen.queryByText(/a\.csv/)).toBeNull();
    await vi.waitFor(() => expect(sent[2]?.asked.around).toBe(true));
  });

  it("stops what is on its way and does not begin what waits behind it", async () => {
    const { user } = page();
    await user.click(screen.getByText("both"));
    await user.click(screen.getByRole("button", { name: "Stop" }));
    expect(sent[0]?.stopped).toBe(true);
    await screen.findByText("b.csv It was not begun.");
    sent[0]?.end({ refusal: new Refusal(0, "STOPPED", "You stopped it.") });
    await screen.findByText("a.csv You stopped it.");
    expect(sent).toHaveLength(1);
  });

  it("takes what is dropped anywhere, and nothing from who only reads", async () => {
    const drop = () => {
      const event = new Event("drop", { cancelable: true }) as DragEvent;
      Object.defineProperty(event, "dataTransfer", { value: { files: [new File(["z"], "z.csv")] } });
      act(() => void window.dispatchEvent(event));
    };
    const reader = show(
      <TakeIn>
        <Page />
      </TakeIn>,
      false,
    );
    drop();
    expect(sent).toHaveLength(0);
    reader.unmount();
    page();
    drop();
    await screen.findByText("z.csv is on its way");
  });
});
