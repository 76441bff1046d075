import { useSearchParams } from "react-router";

/** Which part of a page is shown, kept in the address; the first one needs no name there. */
export function useView<View extends string>(views: Readonly<Record<View, string>>): [View, (next: View) => void] {
  const [search, setSearch] = useSearchParams();
  const [first] = Object.keys(views) as View[];
  const asked = search.get("view");
  const view = asked !== null && asked in views ? (asked as View) : (first as View);
  const show = (next: View): void =>
    setSearch((before) => {
      const params = new URLSearchParams(before);
      if (next === first) params.delete("view");
      else params.set("view", next);
      return params;
    });
  return [view, show];
}
