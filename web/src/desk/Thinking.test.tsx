import { screen, waitFor } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { serverAnswers, show } from "../testing";
import { Thinking } from "./Thinking";

describe("how far it is with what came", () => {
  it("tells how many of the entries are looked at, and goes when all are", async () => {
    let thinking: unknown = { done: 1200, of: 4800 };
    serverAnswers({ "GET /api/flow": () => ({ body: { thinking } }) });
    const { queries } = show(<Thinking />);
    expect(await screen.findByText("Looking for explanations: 1,200 of 4,800")).toBeTruthy();
    expect(screen.getByRole("progressbar").getAttribute("aria-valuenow")).toBe("25");
    queries.setQueryData(["entries", "all"], []);
    thinking = null;
    await queries.invalidateQueries({ queryKey: ["flow"] });
    await waitFor(() => expect(screen.queryByRole("progressbar")).toBeNull());
    // the queue is asked for again
    await waitFor(() => expect(queries.getQueryState(["entries", "all"])?.isInvalidated).toBe(true));
  });
});
