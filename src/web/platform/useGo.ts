import { useCallback } from 'react';
import { type NavigateOptions, type To, useNavigate } from 'react-router';

/** Goes to another page. Nobody waits for the page: where it does not load, the router shows that itself. */
export function useGo() {
  const navigate = useNavigate();
  return useCallback(
    (to: To | -1, options?: NavigateOptions) => {
      // A link that was clicked keeps the focus: Enter on the next page would follow that link again.
      if (document.activeElement instanceof HTMLAnchorElement) document.activeElement.blur();
      void (to === -1 ? navigate(-1) : navigate(to, options));
    },
    [navigate],
  );
}
