/** The kit's field for one line, alone: asked of the kit by name it comes with those for several lines, for codes and for passwords. */
export { default as Input } from 'antd/es/input/Input';
