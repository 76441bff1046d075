import Alert from "antd/es/alert";
import Button from "antd/es/button";
import { useTold } from "../units/told.ts";
import { ApiError } from "../http/api.ts";

/** What went wrong, in words, with a way to try again. */
export function ProblemNote({ error, onRetry }: { error: Error; onRetry?: () => void }) {
  const told = useTold();
  const title =
    error instanceof ApiError
      ? error.problem.title
      : error.name === "LostServerError"
        ? "No answer"
        : "Something went wrong here";
  return (
    <Alert
      role="alert"
      type="error"
      showIcon
      title={title}
      description={told(error.message)}
      action={onRetry && <Button onClick={onRetry}>Try again</Button>}
    />
  );
}
