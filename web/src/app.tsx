import { Smartphone } from "lucide-react";
import { lazy, Suspense, useState } from "react";
import {
  createBrowserRouter,
  isRouteErrorResponse,
  Link,
  NavLink,
  Outlet,
  RouterProvider,
  useRouteError,
} from "react-router";
import { styled } from "styled-components";
import { SWRConfig } from "swr";
import { OnTheWayProvider, useSignedOut } from "./data/index.ts";
import { Find } from "./stations/palette/find.tsx";
import { SignOut } from "./stations/session/sign-out.tsx";
import { color, GlobalStyle, narrow, print, size, space, touch } from "./theme/index.ts";
import { DoneNotices, Notice, WhereRoom } from "./ui/index.ts";

const Head = styled.header`
  display: flex;
  align-items: center;
  gap: ${space.s};
  padding: ${space.s} ${space.l};
  border-bottom: 1.5px solid ${color.strongLine};
  background: ${color.surface};
  > a {
    display: flex;
    align-items: center;
    gap: ${space.s};
    color: inherit;
    text-decoration: none;
    font-weight: 700;
    font-size: ${size.lead};
    min-height: ${touch};
  }
  > button {
    margin-left: auto;
  }
  ${print} {
    display: none;
  }
`;

const Places = styled.nav`
  display: flex;
  gap: ${space.xs};
  a {
    display: flex;
    align-items: center;
    min-height: 44px;
    padding: 0 ${space.m};
    color: inherit;
    text-decoration: none;
    border-bottom: 3px solid transparent;
  }
  a[aria-current="page"] {
    border-color: ${color.accent};
    font-weight: 700;
  }
  svg {
    margin-right: ${space.xs};
  }
  ${narrow} {
    gap: 0;
    a {
      min-width: 44px;
      justify-content: center;
      padding: 0 ${space.s};
    }
    svg {
      margin: 0;
    }
  }
`;

// Most are signed in already, or need not be.
const SignIn = lazy(() =>
  import("./stations/session/sign-in.tsx").then((asks) => ({ default: asks.SignIn })),
);

/** The question for the passphrase, from when it is first asked. */
function Asked() {
  const signedOut = useSignedOut();
  const [asked, setAsked] = useState(signedOut);
  if (signedOut && !asked) setAsked(true);
  return asked ? (
    <Suspense>
      <SignIn />
    </Suspense>
  ) : null;
}

function Frame() {
  return (
    <>
      <Head>
        <Link to="/">
          <img src="/mark.svg" width={28} height={28} alt="" />
          Anvilcloud
        </Link>
        <Find />
        <Places aria-label="Places">
          <NavLink to="/" end>
            Jobs
          </NavLink>
          <NavLink to="/boards">Boards</NavLink>
          <NavLink to="/phone">
            <Smartphone size={20} aria-hidden /> <WhereRoom>On a phone</WhereRoom>
          </NavLink>
        </Places>
        <SignOut />
      </Head>
      <Outlet />
      <Asked />
      <DoneNotices />
    </>
  );
}

function Broken() {
  const error = useRouteError();
  const missing = isRouteErrorResponse(error) && error.status === 404;
  return (
    <main style={{ padding: 20 }}>
      <Notice tone="fault" title={missing ? "There is no such page" : "This page failed"}>
        {missing
          ? "The address leads nowhere."
          : error instanceof Error
            ? error.message
            : "An unknown error."}{" "}
        What was saved is safe. <Link to="/">All jobs</Link>
      </Notice>
    </main>
  );
}

const router = createBrowserRouter([
  {
    element: <Frame />,
    errorElement: <Broken />,
    hydrateFallbackElement: <span />,
    children: [
      { path: "/", lazy: () => import("./stations/jobs/jobs-page.tsx") },
      { path: "/phone", lazy: () => import("./stations/session/phone-page.tsx") },
      { path: "/boards", lazy: () => import("./stations/boards/boards-page.tsx") },
      { path: "/boards/new", lazy: () => import("./stations/boards/edit-page.tsx") },
      { path: "/boards/compare", lazy: () => import("./stations/boards/compare-page.tsx") },
      { path: "/boards/:id", lazy: () => import("./stations/boards/board-page.tsx") },
      { path: "/boards/:id/live", lazy: () => import("./stations/live/board-live-page.tsx") },
      { path: "/boards/:id/edit", lazy: () => import("./stations/boards/edit-page.tsx") },
      {
        path: "/jobs/:id",
        lazy: () => import("./stations/job/job-page.tsx"),
        children: [
          { index: true, lazy: () => import("./stations/job/first-open.tsx") },
          { path: "survey", lazy: () => import("./stations/survey/survey-page.tsx") },
          { path: "work", lazy: () => import("./stations/work/work-page.tsx") },
          { path: "live", lazy: () => import("./stations/live/job-live-page.tsx") },
          { path: "record", lazy: () => import("./stations/record/record-page.tsx") },
          { path: ":station/:step?", lazy: () => import("./stations/steps/station-page.tsx") },
        ],
      },
    ],
  },
]);

const onTheWay = () => router.state.navigation.state !== "idle";

export function App() {
  return (
    <SWRConfig value={{ shouldRetryOnError: false }}>
      <GlobalStyle />
      <OnTheWayProvider value={onTheWay}>
        <RouterProvider router={router} />
      </OnTheWayProvider>
    </SWRConfig>
  );
}
