<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="color-scheme" content="light dark">
    <title>Rung</title>
    <link rel="icon" href="/icon.svg" type="image/svg+xml">
    @if ($entry === 'web/athlete.tsx')
    <link rel="manifest" href="/athlete.webmanifest">
    <link rel="apple-touch-icon" href="/icon-180.png">
    <meta name="theme-color" content="#1f5a43">
    @endif
    @vite($entry)
</head>
<body>
    <div id="root"></div>
    <noscript>Rung needs JavaScript. Please switch it on for this address.</noscript>
</body>
</html>
