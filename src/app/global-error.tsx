'use client';

import '../styles/index.scss';
import { Stopped } from '#ui/shell/Stopped.tsx';

/** When card or ladder stop, which stand on every screen. */
const GlobalError = (props: { error: Error; reset: () => void }) => (
  <html lang="en" data-bs-theme="dark" data-surround="dark">
    <body>
      <div className="waiting">
        <Stopped {...props} />
      </div>
    </body>
  </html>
);

export default GlobalError;
