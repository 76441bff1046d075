import { act, renderHook } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { useDraft } from "./use-draft.ts";

const opened = (value = "a", version: number | null = 1) =>
  renderHook((stored: { version: number | null; value: string }) => useDraft(stored), {
    initialProps: { version, value },
  });

describe("a versioned value that is typed into", () => {
  it("follows what is stored while nobody has touched it", () => {
    const { result, rerender } = opened();
    rerender({ version: 2, value: "b" });
    expect(result.current).toMatchObject({ value: "b", version: 2, changed: false });
  });

  it("stays as it was typed when a newer one comes in, at the version it was begun from", () => {
    const { result, rerender } = opened();
    act(() => result.current.set("mine"));
    rerender({ version: 2, value: "theirs" });
    expect(result.current).toMatchObject({ value: "mine", version: 1, saved: "a", changed: true });
  });

  it("is settled once what is stored is what was typed", () => {
    const { result, rerender } = opened("a", null);
    act(() => result.current.set("mine"));
    rerender({ version: 1, value: "mine" });
    expect(result.current).toMatchObject({ value: "mine", version: 1, changed: false });
  });

  it("goes on from the newer one when somebody takes it", () => {
    const { result } = opened();
    act(() => result.current.set("mine"));
    act(() => result.current.take({ version: 5, value: "theirs" }));
    expect(result.current).toMatchObject({ value: "theirs", version: 5, changed: false });
  });
});
