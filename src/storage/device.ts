import { deviceSchema, type Device } from '../core/carry/device';
import { jsonOf } from '../core/records/file/json';

const KEY = 'zoarium-device';

/** What keeps a text by a key at once, as `localStorage` does; a browser may keep none. */
export type Shelf = Pick<Storage, 'getItem' | 'setItem'>;

/**
 * Which device this browser is: a lasting id for its copy of the log, and the name its keeper gives it. It is
 * read anew each time, since another tab may have changed it; where nothing is kept, it lasts as long as the tab.
 */
export class OwnDevice {
  private last: Device | null = null;

  /**
   * @param shelf where it is kept; null where the browser keeps nothing
   * @param newId makes an id of twelve letters
   * @param named what such a device is called at first
   */
  constructor(
    private readonly shelf: Shelf | null,
    private readonly newId: () => string,
    private readonly named: string,
  ) {}

  read(): Device {
    const kept = deviceSchema.safeParse(jsonOf(this.text() ?? ''));
    return kept.success ? kept.data : (this.last ?? this.keep(this.fresh()));
  }

  rename(name: string): Device {
    return this.keep({ ...this.read(), name });
  }

  /** What was here is gone: the copy that begins now is another one. */
  renew(): Device {
    return this.keep({ ...this.read(), id: this.newId() });
  }

  private fresh(): Device {
    return { id: this.newId(), name: this.named };
  }

  private text(): string | null {
    try {
      return this.shelf?.getItem(KEY) ?? null;
    } catch {
      return null;
    }
  }

  private keep(device: Device): Device {
    this.last = device;
    try {
      this.shelf?.setItem(KEY, JSON.stringify(device));
    } catch {
      // Where nothing is kept the others carry all of it each time, and nothing is lost.
    }
    return device;
  }
}

/** The shelf of this browser; null where it is closed, as in some private windows. */
export function browserShelf(): Shelf | null {
  try {
    return globalThis.localStorage;
  } catch {
    return null;
  }
}

/** What a device is called before its keeper names it. */
export function likelyName(): string {
  const coarse = globalThis.matchMedia?.('(pointer: coarse)').matches ?? false;
  return coarse ? 'Phone' : 'Computer';
}
