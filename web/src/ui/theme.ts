import { Button, createTheme, type MantineColorsTuple } from '@mantine/core';

const leaf: MantineColorsTuple = [
  '#eef4ef',
  '#dde8df',
  '#bbd1c1',
  '#96b9a1',
  '#76a486',
  '#5f9474',
  '#467a5e',
  '#2c5746',
  '#24493a',
  '#1a372b',
];

export const theme = createTheme({
  primaryColor: 'leaf',
  primaryShade: 7,
  colors: { leaf },
  fontFamily: "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif",
  headings: { fontFamily: "'Fraunces Variable', Georgia, serif", fontWeight: '560' },
  defaultRadius: 7,
  fontSizes: { xs: '13px', sm: '15px', md: '16px', lg: '18px', xl: '21px' },
  components: {
    Button: Button.extend({ defaultProps: { size: 'md' } }),
  },
});
