<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <title>Rung is away for a moment</title>
</head>
<body>
    <h1>Rung is away for a moment</h1>
    <p>Nothing is lost. Try again in a few seconds.</p>
</body>
</html>
