<!doctype html>
<html lang="en" data-theme="quillmoor">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <title>Wellspring</title>
    <meta name="csrf-token" content="{{ csrf_token() }}">
    <meta property="csp-nonce" nonce="{{ $nonce }}">
    <link rel="icon" href="/wellspring.svg" type="image/svg+xml">
    @vite(['resources/css/manage.css', 'resources/js/manage/main.tsx'])
</head>
<body class="bg-base-200">
<div id="manage"></div>
<noscript>The manage screens need JavaScript. The site itself does not.</noscript>
</body>
</html>
