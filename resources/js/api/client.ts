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

/** A file sent up, with the share that has gone. */
export function upload<T>(url: string, fields: Record<string, string | File>, onProgress: (share: number) => void): Promise<T> {
    return new Promise((resolve, reject) => {
        const request = new XMLHttpRequest();
        const form = new FormData();
        for (const [name, value] of Object.entries(fields)) form.append(name, value);
        request.open('POST', url);
        request.setRequestHeader('Accept', 'application/json');
        request.setRequestHeader('X-XSRF-TOKEN', token());
        request.upload.onprogress = (event) => event.lengthComputable && onProgress(event.loaded / event.total);
        request.onerror = () =>
            reject(new Refused('The file did not get through. Nothing was stored; try again in a moment.', 0, 'offline', {}));
        request.onload = () => {
            const data = parsed(request.responseText);
            if (request.status < 300) resolve(data as T);
            else {
                const errors = data.errors as Record<string, string[]> | undefined;
                const message = errors ? Object.values(errors).flat()[0] : data.message;
                reject(new Refused(String(message ?? 'The file was not taken.'), request.status, String(data.reason ?? 'refused'), data));
            }
        };
        request.send(form);
    });
}

function parsed(text: string): Record<string, unknown> {
    try {
        return JSON.parse(text) as Record<string, unknown>;
    } catch {
        return {};
    }
}

export const remove = <T>(url: string) => call<T>('DELETE', url);
