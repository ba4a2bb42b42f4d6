@include('shell', ['entry' => 'web/athlete.tsx'])
