import { Injectable, signal } from '@angular/core';
import type { Talk } from '@lemniscus/core/notation/talk';
import type { Opened } from '@lemniscus/core/decoding';
import type { OpeningAnswer, OpeningQuestion } from '../../workers/opening-messages';

/** What was found in a file; a talk where somebody tells a pattern in it. */
export interface Found {
  readonly name: string;
  readonly opened: Opened;
  readonly talk: Talk | null;
}

/** A file that is being read, and how far it has come, from 0 to 1. */
export interface Going {
  readonly name: string;
  readonly done: number;
}

/** Reads files and pasted texts in a worker, which is there only while something is read. Nothing leaves the device. */
@Injectable({ providedIn: 'root' })
export class FileOpening {
  private readonly going_ = signal<Going | null>(null);
  readonly going = this.going_.asReadonly();
  private end: (() => void) | null = null;

  /** What is in a file; null where it was stopped, or another was opened meanwhile. Rejects where the worker failed. */
  open(name: string, bytes: Uint8Array): Promise<Found | null> {
    this.stop();
    const worker = new Worker(new URL('../../workers/opening.worker', import.meta.url), { type: 'module' });
    this.going_.set({ name, done: 0 });
    return new Promise<Found | null>((resolve, reject) => {
      const ended = (): void => {
        worker.terminate();
        this.going_.set(null);
        this.end = null;
      };
      this.end = () => {
        ended();
        resolve(null);
      };
      worker.addEventListener('message', ({ data }: MessageEvent<OpeningAnswer>) => {
        // What reads PDF files greets whoever started it, too.
        if (!('done' in data || 'opened' in data || 'failed' in data)) return;
        if ('done' in data) {
          this.going_.set({ name, done: data.done });
          return;
        }
        ended();
        if ('failed' in data) reject(new Error(data.failed));
        else resolve({ name, ...data });
      });
      worker.addEventListener('error', ({ message }) => {
        ended();
        reject(new Error(message || 'what reads files did not start. Reload the page'));
      });
      const question: OpeningQuestion = { bytes };
      worker.postMessage(question);
    });
  }

  stop(): void {
    this.end?.();
  }
}
