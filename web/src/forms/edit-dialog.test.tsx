import { render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { describe, expect, it } from "vitest";
import { EditDialog } from "./edit-dialog.tsx";

function Page() {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button type="button" onClick={() => setOpen(true)}>
        Edit the tank
      </button>
      {open && (
        <EditDialog
          title="The tank"
          width={400}
          saving={{ isPending: false, error: null }}
          faults={[]}
          onSave={() => setOpen(false)}
          onClose={() => setOpen(false)}
        >
          <input aria-label="Volume" />
        </EditDialog>
      )}
    </>
  );
}

async function opened() {
  render(<Page />);
  await userEvent.click(screen.getByRole("button", { name: "Edit the tank" }));
  await screen.findByRole("dialog");
}

describe("a dialog to type into", () => {
  it("closes by Escape where nothing was typed, and the focus is back where it was", async () => {
    await opened();
    await userEvent.keyboard("{Escape}");
    await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
    expect(screen.getByRole("button", { name: "Edit the tank" })).toHaveFocus();
  });

  it("asks before Escape throws away what was typed, and keeps it when a person goes on", async () => {
    await opened();
    await userEvent.type(screen.getByLabelText("Volume"), "200");
    await userEvent.keyboard("{Escape}");
    expect(await screen.findByText("What you typed is not saved.")).toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: "Go on typing" }));
    expect(screen.getByLabelText("Volume")).toHaveValue("200");
    await userEvent.keyboard("{Escape}");
    await userEvent.click(await screen.findByRole("button", { name: "Throw it away" }));
    await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
  });
});
