import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { isNews } from './changing';
import { useNotice } from './notice';
import { refresh } from './refresh';

interface JobEvent {
  kind: 'now' | 'ticket' | 'revision' | 'cut';
  version: number;
  says: string;
}

/** Hears of what other windows do to a job, and shows it. */
export function useEvents(job: number): void {
  const queries = useQueryClient();
  useEffect(() => {
    let events: EventSource | null = null;
    const hear = (e: MessageEvent<string>) => {
      const event = JSON.parse(e.data) as JobEvent;
      void isNews(job, event.version).then((news) => {
        if (news || event.kind === 'cut') {
          refresh(queries, job);
        }
        if (news && event.says) {
          useNotice.getState().say(`In another window: ${event.says}`);
        }
      });
    };
    // A browser keeps few connections open to one place, so only windows that are seen listen; the
    // first thing a stream tells is which version holds.
    const listen = () => {
      if (document.visibilityState === 'hidden') {
        events?.close();
        events = null;
      } else if (!events) {
        events = new EventSource(`/api/jobs/${job}/events`);
        events.onmessage = hear;
      }
    };
    listen();
    document.addEventListener('visibilitychange', listen);
    return () => {
      document.removeEventListener('visibilitychange', listen);
      events?.close();
    };
  }, [job, queries]);
}
