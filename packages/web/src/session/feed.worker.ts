// A shared worker: the one stream of changes for all the tabs of a browser, of which HTTP/1.1 gives it six in all.

const AGAIN_AFTER = 3000; // ms after the server would not open it
const tabs = new Set<MessagePort>();
let source: EventSource | undefined;

function open(): void {
  source = new EventSource('/api/feed');
  source.onmessage = ({ data }) => {
    for (const tab of tabs) tab.postMessage(data);
  };
  source.onerror = () => {
    if (source?.readyState !== EventSource.CLOSED) return; // the browser tries again by itself
    source = undefined;
    setTimeout(() => tabs.size > 0 && !source && open(), AGAIN_AFTER);
  };
}

(self as unknown as { onconnect: (event: MessageEvent) => void }).onconnect = ({ ports: [tab] }) => {
  tabs.add(tab!);
  tab!.onmessage = ({ data }) => {
    if (data !== 'left') return;
    tabs.delete(tab!);
    if (tabs.size > 0) return;
    source?.close();
    source = undefined;
  };
  tab!.postMessage('"look"'); // the stream may have been open for long
  if (!source) open();
};

export {}; // a module, for all that it gives nothing
