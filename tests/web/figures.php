<?php

declare(strict_types=1);

// Writes tests/web/figures.json: figures as the core sends them, for the tests of the browser's code.

require __DIR__ . '/../../core/autoload.php';

use Rung\Core\Catalogue\CatalogueFolder;
use Rung\Core\Figure\Body;
use Rung\Core\Figure\FigureFolder;

$catalogue = CatalogueFolder::read(CatalogueFolder::own());
$book = FigureFolder::read(FigureFolder::own());
$figures = [];
foreach (
    ['squat', 'wall_sit', 'decline_eccentric', 'run_sprints', 'hammer_turns', 'wrist_curl', 'leg_press_one']
    as $key
) {
    $figures[$key] = $book->find($key)?->drawn($catalogue->exercise($key));
}
file_put_contents(
    __DIR__ . '/figures.json',
    json_encode(['points' => Body::points(), 'figures' => $figures], JSON_THROW_ON_ERROR) . "\n",
);
