// A few calls of the API for scripts: plain HTTP, failures thrown with their message.

export function api(url) {
  const call = async (method, path, body) => {
    const response = await fetch(`${url}/api${path}`, {
      method,
      headers: method === 'GET' ? {} : { 'content-type': 'application/json' },
      body: body === undefined ? undefined : JSON.stringify(body),
    });
    const answer = await response.json();
    if (!response.ok) throw new Error(`${method} ${path}: ${answer.message}`);
    return answer;
  };
  return {
    get: (path) => call('GET', path),
    post: (path, body = {}) => call('POST', path, body),
    put: (path, body) => call('PUT', path, body),
    patch: (path, body) => call('PATCH', path, body),
    delete: (path, body) => call('DELETE', path, body),
    async upload(path, bytes) {
      const response = await fetch(`${url}/api${path}`, {
        method: 'POST',
        headers: { 'content-type': 'application/octet-stream' },
        body: bytes,
      });
      const answer = await response.json();
      if (!response.ok) throw new Error(`POST ${path}: ${answer.message}`);
      return answer;
    },
    /** Follows a job's events to its end. */
    async finished(jobId, tell = () => undefined) {
      const response = await fetch(`${url}/api/jobs/${jobId}/events`);
      let rest = '';
      let last = null;
      for await (const bytes of response.body.pipeThrough(new TextDecoderStream())) {
        rest += bytes;
        const events = rest.split('\n\n');
        rest = events.pop();
        for (const event of events) {
          if (!event.startsWith('data: ')) continue;
          last = JSON.parse(event.slice(6));
          tell(last);
        }
      }
      if (last?.state !== 'done') throw new Error(`Job ${jobId} ${last?.state}: ${last?.message}`);
      return last;
    },
  };
}
