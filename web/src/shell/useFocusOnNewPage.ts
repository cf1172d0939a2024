import { useEffect, useRef } from 'react';
import { useLocation } from 'react-router';

/** After a change of page the focus is on the new page, not on a link that is gone. */
export function useFocusOnNewPage(): void {
  const { pathname } = useLocation();
  const before = useRef(pathname);
  useEffect(() => {
    if (before.current === pathname) return;
    before.current = pathname;
    const main = document.querySelector<HTMLElement>('main');
    if (!main || main.contains(document.activeElement)) return;
    main.tabIndex = -1;
    main.focus({ preventScroll: true });
  }, [pathname]);
}
