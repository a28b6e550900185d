import { useEffect, useState } from 'react';

/** Changes whenever the page's theme does: for pictures that are painted in its colours once. */
export function useThemeChange(): string {
  const [theme, setTheme] = useState('');
  useEffect(() => {
    const root = document.documentElement;
    const read = (): void => setTheme(root.dataset['theme'] ?? 'daylight');
    read();
    const observer = new MutationObserver(read);
    observer.observe(root, { attributes: true, attributeFilter: ['data-theme'] });
    return () => observer.disconnect();
  }, []);
  return theme;
}
