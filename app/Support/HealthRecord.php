<?php

declare(strict_types=1);

namespace App\Support;

use App\Care\CaseHistory;
use App\Models\CareCase;
use Rung\Core\HealthRecord\BundleWriter;
use Rung\Core\HealthRecord\RecordAbout;
use Rung\Core\Time\Day;

/** A case as a FHIR bundle, with what the application knows beside the case file. */
final class HealthRecord
{
    /** @return array<string, mixed> */
    public static function bundle(CareCase $case, CatalogueShelf $shelf): array
    {
        $catalogue = $shelf->forCase($case, $case->plan());
        $day = static fn(mixed $iso): ?Day => is_string($iso) && $iso !== '' ? Day::fromIso($iso) : null;

        return BundleWriter::write(
            CaseHistory::whole($case),
            $catalogue,
            new RecordAbout(
                $day($case->athlete->born_on),
                $case->intake->beganOn,
                $day($case->closed_on),
                $day($case->goal_on),
                $catalogue->programmes[$case->programme]->title ?? null,
                $case->practitioner->name,
                $case->practice->name,
            ),
        );
    }
}
