import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { renderToString } from 'react-dom/server';
import { StaticRouter } from 'react-router';
import { ServerStyleSheet } from 'styled-components';
import { SizeScreen } from '../features/sizing/SizeScreen.tsx';
import { SIZING_STORAGE_KEY } from '../features/sizing/useSizing.ts';
import { GlobalStyle } from '../design/global.ts';

/** The first view as somebody new sees it, made when the application is built: its markup, the styles that it needs, and under what the browser keeps that somebody was here. */
export function renderFirstView(): { html: string; styles: string; kept: string } {
  const sheet = new ServerStyleSheet();
  const client = new QueryClient();
  const html = renderToString(
    sheet.collectStyles(
      <StrictMode>
        <GlobalStyle />
        <QueryClientProvider client={client}>
          <StaticRouter location="/">
            <SizeScreen />
          </StaticRouter>
        </QueryClientProvider>
      </StrictMode>,
    ),
  );
  const styles = sheet.getStyleTags();
  sheet.seal();
  return { html, styles, kept: SIZING_STORAGE_KEY };
}
