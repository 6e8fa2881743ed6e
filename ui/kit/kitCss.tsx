import { createCache, extractStyle, StyleProvider } from '@ant-design/cssinjs';
import {
  Alert,
  AutoComplete,
  Button,
  Checkbox,
  ConfigProvider,
  Drawer,
  Dropdown,
  Empty,
  Input,
  InputNumber,
  Modal,
  Popconfirm,
  Popover,
  Progress,
  Radio,
  Segmented,
  Select,
  Slider,
  Tooltip,
} from 'antd';
import type { ReactNode } from 'react';
import { renderToString } from 'react-dom/server';
import { KIT_THEMES } from '../theme';

/** What pop-ups hang on. */
const ANCHOR = <a>text</a>;

/** One of each part of the interface kit that is used anywhere, by the name it is imported by. */
const PARTS: Record<string, ReactNode> = {
  Alert: <Alert title="" />,
  AutoComplete: <AutoComplete />,
  Button: <Button>text</Button>,
  Checkbox: <Checkbox.Group options={['a']} />,
  Drawer: <Drawer />,
  Dropdown: <Dropdown menu={{ items: [] }}>{ANCHOR}</Dropdown>,
  // What a list with nothing in it shows.
  Empty: <Empty image={Empty.PRESENTED_IMAGE_SIMPLE} />,
  Input: (
    <>
      <Input.TextArea />
      <Input.Search />
      <Input.Password />
    </>
  ),
  InputNumber: <InputNumber />,
  Modal: <Modal />,
  Popconfirm: <Popconfirm title="">{ANCHOR}</Popconfirm>,
  Popover: <Popover>{ANCHOR}</Popover>,
  Progress: <Progress percent={1} />,
  Radio: <Radio.Group options={['a']} />,
  Segmented: <Segmented options={['a']} />,
  Select: <Select />,
  Slider: <Slider />,
  Tooltip: <Tooltip title="">{ANCHOR}</Tooltip>,
};

/** The kit's look of links is for those that are its parts or within one; ours stay as they are. */
const OF_LINKS = /(?<=^|\})a(?:[:[][^{},]*)?(?:,a(?:[:[][^{},]*)?)*(?=\{)/g;
const A_PART = ':where([class^="ant-"],[class*=" ant-"])';

/** Parts of the kit whose rules are in the sheet. */
export const KIT_PARTS: ReadonlySet<string> = new Set(Object.keys(PARTS));

/**
 * Every rule of the kit's parts in both themes, for a sheet that browsers keep. Worked out by each page as it is drawn, on the server and
 * again in the browser, they were a fifth of the server's time and half of what it sent.
 */
export function kitCss(): string {
  const cache = createCache();
  const parts = Object.entries(PARTS).map(([name, part]) => <div key={name}>{part}</div>);
  for (const theme of Object.values(KIT_THEMES))
    renderToString(
      <StyleProvider cache={cache} hashPriority="low">
        <ConfigProvider theme={{ ...theme, zeroRuntime: false }} wave={{ disabled: true }}>
          {parts}
        </ConfigProvider>
      </StyleProvider>,
    );
  // Without the list of what is in it, which is for a page that goes on working out more.
  const css = extractStyle(cache, { plain: true }).replace(/\.data-ant-cssinjs-cache-path\{[^}]*\}/, '');
  return css.replace(OF_LINKS, (selectors) => selectors.replace(/(^|,)a([^,]*)/g, `$1${A_PART} a$2,a${A_PART}$2`));
}
