<?php

declare(strict_types=1);

// Writes every dose of the catalogue's programmes with the words of the core, for the tests of the browser's code.

require __DIR__ . '/../../core/autoload.php';

use Rung\Core\Catalogue\CatalogueFolder;
use Rung\Core\Words\DoseWords;

$doses = [];
foreach (CatalogueFolder::read(CatalogueFolder::own())->programmes as $programme) {
    foreach ($programme->plan->stages as $stage) {
        foreach ($stage->prescriptions() as $prescription) {
            $dose = $prescription->dose;
            $words = [
                DoseWords::describe($prescription, true),
                DoseWords::tempo($prescription),
                "rest $dose->rest_s s",
            ];
            $doses[] = [
                'mode' => $prescription->mode->value,
                'dose' => $dose->toArray(),
                'words' => implode(' · ', array_filter($words)),
            ];
        }
    }
}
echo json_encode($doses, JSON_THROW_ON_ERROR);
