/** Calls to the server. What it refuses comes back as a Refused, with the sentence that a person is to read. */

export class Refused extends Error {
    constructor(
        message: string,
        readonly status: number,
        readonly reason: string,
        readonly details: Record<string, unknown>,
    ) {
        super(message);
    }
}

function token(): string {
    return decodeURIComponent(/(?:^|; )XSRF-TOKEN=([^;]+)/.exec(document.cookie)?.[1] ?? '');
}

async function call<T>(method: string, url: string, body?: unknown, signal?: AbortSignal): Promise<T> {
    let response: Response;
    try {
        response = await fetch(url, {
            method,
            headers: { Accept: 'application/json', 'Content-Type': 'application/json', 'X-XSRF-TOKEN': token() },
            body: body === undefined ? undefined : JSON.stringify(body),
            signal: signal ?? null,
        });
    } catch (error) {
        if (signal?.aborted) throw error;
        throw new Refused(
            'Insignum can’t be reached just now. What you see is kept on this screen; try again in a moment.',
            0,
            'offline',
            {},
        );
    }
    const data: unknown = await response.json().catch(() => ({}));
    if (response.ok) return data as T;
    const details = (typeof data === 'object' && data !== null ? data : {}) as Record<string, unknown>;
    const errors = details.errors as Record<string, string[]> | undefined;
    const message = errors ? Object.values(errors).flat()[0] : details.message;
    const sentence =
        response.status === 419 || response.status === 401
            ? 'You were signed out meanwhile. Sign in again in another tab; what you see here is kept until then.'
            : response.status >= 500 && !details.reason
              ? 'Something broke on our side. Nothing was saved by this step; try it again.'
              : String(message ?? 'That did not work.');
    throw new Refused(sentence, response.status, String(details.reason ?? 'refused'), details);
}

export const get = <T>(url: string, signal?: AbortSignal) => call<T>('GET', url, undefined, signal);

export const post = <T>(url: string, body: unknown = {}, signal?: AbortSignal) => call<T>('POST', url, body, signal);
