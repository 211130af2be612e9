import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { createBrowserRouter, RouterProvider } from "react-router";
import { Bench } from "./bench/Bench";
import { Lost } from "./bench/Lost";
import { Cards } from "./cards/Cards";
import { Look } from "./look/look";
import { YardView } from "./yard/YardView";

const router = createBrowserRouter([
  { path: "/", element: <YardView /> },
  { path: "/house/:id/:step?", element: <Bench /> },
  { path: "/house/:id/:step/cards", element: <Cards /> },
  { path: "*", element: <Lost /> },
]);
const queries = new QueryClient({ defaultOptions: { queries: { retry: 2, refetchOnWindowFocus: false } } });
const place = document.getElementById("bench");
if (!place) throw new Error("The page has no place for the bench.");
createRoot(place).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <Look />
      <RouterProvider router={router} />
    </QueryClientProvider>
  </StrictMode>,
);
