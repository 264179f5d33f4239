import { useEffect } from 'react';

/** Ctrl Z and Ctrl Shift Z, but in a text field, which has its own. */
export function useUndoKeys(undo: () => void, redo: () => void): void {
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      const typing = e.target instanceof HTMLInputElement && e.target.type === 'text';
      if (!(e.ctrlKey || e.metaKey) || e.key.toLowerCase() !== 'z' || typing) return;
      e.preventDefault();
      if (e.shiftKey) redo();
      else undo();
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [undo, redo]);
}
