import { act, screen, waitFor } from "@testing-library/react";
import { useState } from "react";
import { describe, expect, it } from "vitest";
import { serverAnswers, show } from "../testing";
import { StandIn } from "./StandIn";

interface Behaviour extends Record<string, boolean> {
  late: boolean;
  twice: boolean;
}

const ME = { user: "maren", role: "CLERK", businessDate: "2026-05-29", demo: true, companies: [] };

/** A stand-in whose news come only when told, as from a slow server. */
function slow(answer: (asked: Behaviour) => Promise<unknown>) {
  serverAnswers({ "GET /api/me": () => ({ body: ME }) });
  const sent: Behaviour[] = [];
  let tell: (news: Behaviour) => void = () => undefined;
  function Slow() {
    const [behaviour, setBehaviour] = useState<Behaviour>({ late: false, twice: false });
    tell = setBehaviour;
    return (
      <StandIn<Behaviour>
        says=""
        each=""
        file="file"
        passes="Let a day go by"
        deliveries={[]}
        moods={[
          ["late", "Late", "a day later"],
          ["twice", "Twice", "two times"],
        ]}
        behaviour={behaviour}
        dayForward={() => Promise.resolve()}
        fetch={() => Promise.resolve()}
        behave={(asked) => {
          sent.push(asked);
          return answer(asked);
        }}
      />
    );
  }
  return {
    ...show(<Slow />),
    sent,
    tell: (news: Behaviour) => {
      act(() => {
        tell(news);
      });
    },
  };
}

function mood(name: string) {
  return screen.getByRole<HTMLInputElement>("checkbox", { name: new RegExp(`^${name}`) });
}

describe("how something simulated misbehaves", () => {
  it("keeps what was set until the server tells of it", async () => {
    const { user, sent, tell } = slow(() => Promise.resolve());
    await waitFor(() => {
      expect(mood("Late").disabled).toBe(false);
    });
    await user.click(mood("Late"));
    // long enough for the answer, not for its news
    await new Promise((done) => setTimeout(done, 50));
    expect(mood("Late").checked).toBe(true);
    await user.click(mood("Twice"));
    await waitFor(() => {
      expect(sent).toEqual([
        { late: true, twice: false },
        { late: true, twice: true },
      ]);
    });
    await new Promise((done) => setTimeout(done, 50));
    tell({ late: true, twice: true });
    // set by somebody else
    tell({ late: false, twice: true });
    expect(mood("Late").checked).toBe(false);
    expect(mood("Twice").checked).toBe(true);
  });

  it("shows what holds where a wish was refused", async () => {
    const { user } = slow(() => Promise.reject(new Error("It is not connected.")));
    await waitFor(() => {
      expect(mood("Late").disabled).toBe(false);
    });
    await user.click(mood("Late"));
    expect(await screen.findByText("It is not connected.")).toBeTruthy();
    expect(mood("Late").checked).toBe(false);
  });
});
