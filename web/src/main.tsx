import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { type ReactNode, StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { createBrowserRouter, RouterProvider } from "react-router";
import { Bench } from "./bench/Bench";
import { Lost } from "./bench/Lost";
import { Cards } from "./cards/Cards";
import { Caught } from "./kit/Caught";
import { Look } from "./look/look";
import { YardView } from "./yard/YardView";

const route = (path: string, what: string, shown: ReactNode) => ({ path, element: <Caught what={what}>{shown}</Caught> });
const router = createBrowserRouter([
  route("/", "The yard", <YardView />),
  route("/house/:id/:step?", "The bench", <Bench />),
  route("/house/:id/:step/cards", "The cards", <Cards />),
  route("*", "This page", <Lost />),
]);
const queries = new QueryClient({ defaultOptions: { queries: { retry: 2, refetchOnWindowFocus: false } } });
const place = document.getElementById("bench");
if (!place) throw new Error("The page has no place for the bench.");
// What is caught is said where it belongs on the page.
createRoot(place, { onCaughtError: (error) => console.warn(error) }).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <Look />
      <RouterProvider router={router} />
    </QueryClientProvider>
  </StrictMode>,
);
