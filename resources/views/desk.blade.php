@include('shell', ['entry' => 'web/desk.tsx'])
