<?php

declare(strict_types=1);

// ./rung figures: every figure of the catalogue as the core works it out, with what the sheets say of it.

require __DIR__ . '/../../core/autoload.php';

use Rung\Core\Catalogue\CatalogueFolder;
use Rung\Core\Exercise\Exercise;
use Rung\Core\Figure\FigureFolder;

$catalogue = CatalogueFolder::read(CatalogueFolder::own());
$book = FigureFolder::read(FigureFolder::own());
$exercises = array_values(
    array_filter($catalogue->exercises, static fn(Exercise $one): bool => $book->find($one->key) !== null),
);

echo json_encode(
    array_map(
        static fn(Exercise $one): array => [
            'title' => $one->title,
            'words' => "$one->set_up $one->movement",
            'figure' => $book->find($one->key)?->drawn($one),
        ],
        $exercises,
    ),
    JSON_THROW_ON_ERROR,
);
