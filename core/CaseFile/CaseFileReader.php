<?php

declare(strict_types=1);

namespace Rung\Core\CaseFile;

use InvalidArgumentException;
use Rung\Core\Dose\Prescription;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Input\Json;
use Rung\Core\Input\Names;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Record\CheckIn;
use Rung\Core\Record\DoseChange;
use Rung\Core\Record\Outcome;
use Rung\Core\Record\PlannedSession;
use Rung\Core\Record\Review;
use Rung\Core\Record\Session;
use Rung\Core\Record\SignOff;
use Rung\Core\Record\StageEntry;
use Rung\Core\Record\StrengthTest;
use Rung\Core\Stage\OverPrescription;
use Rung\Core\Stage\Stage;
use Rung\Core\Time\Zone;

/**
 * Reads a case file whole or refuses it whole, and names every fault (docs/rules.md, "Bad input").
 * Each record reads itself; here stands what concerns several of them.
 */
final class CaseFileReader
{
    /** @throws InvalidInput with every fault of the text */
    public static function fromJson(string $json): CaseFile
    {
        return Json::read($json, self::read(...));
    }

    private static function read(ObjectNode $node): CaseFile
    {
        $format = $node->text('format');
        if ($node->hasText('format') && $format !== CaseFile::FORMAT) {
            $node->fault('format', 'must be "' . CaseFile::FORMAT . '"');
        }
        $zone = self::zone($node);
        $athlete = $node->child('athlete', Athlete::read(...));
        $case = $node->child('case', Details::read(...));
        $file = new CaseFile(
            timezone: $zone,
            athlete: $athlete,
            case: $case,
            response_rule: $node->child('response_rule', ResponseRule::read(...)),
            stages: $node->each('stages', Stage::read(...)),
            stage_history: $node->each('stage_history', StageEntry::read(...)),
            planned: $node->eachOrEmpty('planned', PlannedSession::read(...)),
            sessions: $node->eachOrEmpty(
                'sessions',
                static fn(ObjectNode $session): Session => Session::read($session)->counted($case->side),
            ),
            check_ins: $node->eachOrEmpty('check_ins', CheckIn::read(...)),
            tests: $node->eachOrEmpty('tests', StrengthTest::read(...)),
            outcomes: $node->eachOrEmpty('outcomes', Outcome::read(...)),
            sign_offs: $node->eachOrEmpty('sign_offs', SignOff::read(...)),
            reviews: $node->eachOrEmpty('reviews', Review::read(...)),
            dose_changes: $node->eachOrEmpty('dose_changes', DoseChange::read(...)),
        );
        self::checkUnique($node, $file);
        self::checkNames($node, $file);
        self::checkHistory($node, $file);
        self::checkBodyMass($node, $file);
        self::checkWantedPain($node, $file);

        return $file;
    }

    private static function zone(ObjectNode $node): Zone
    {
        $name = $node->text('timezone');
        try {
            return $name === '' && !$node->has('timezone') ? Zone::utc() : Zone::named($name);
        } catch (InvalidArgumentException $problem) {
            if ($node->hasText('timezone')) {
                $node->fault('timezone', $problem->getMessage());
            }

            return Zone::utc();
        }
    }

    private static function checkUnique(ObjectNode $node, CaseFile $file): void
    {
        $node->unique('stages', 'key', array_column($file->stages, 'key'));
        foreach (['planned', 'sessions', 'check_ins'] as $list) {
            $node->unique($list, 'id', array_column($file->{$list}, 'id'));
        }
        $seen = [];
        foreach ($file->stages as $i => $stage) {
            foreach ($stage->prescriptions as $j => $prescription) {
                if ($prescription->key !== '' && isset($seen[$prescription->key])) {
                    $node->inItem(
                        "stages/$i/prescriptions/$j/key",
                        'is there twice; every prescription of the file needs its own',
                    );
                }
                $seen[$prescription->key] = true;
            }
        }
    }

    /** Everything that names something else must name something that is there. */
    private static function checkNames(ObjectNode $node, CaseFile $file): void
    {
        $names = new Names($node->raw());
        $stages = $names->in('stages', 'key', optional: false);
        $planned = $names->in('planned', 'id');
        $prescriptions = $names->within('stages', 'prescriptions', 'key');
        $sessions = $names->in('sessions', 'id');
        $checkIns = $names->in('check_ins', 'id');
        $clearable = $sessions === null || $checkIns === null ? null : $sessions + $checkIns;
        // Where a list is itself at fault, its names are unknown. That is reported once, not at every mention.
        $named = static function (string $path, ?string $name, ?array $known, string $what) use ($node, $names): void {
            if ($name !== null && $known !== null && !isset($known[$name]) && $names->at($path) === $name) {
                $node->inItem($path, 'must name ' . $what);
            }
        };

        foreach ($file->stages as $i => $stage) {
            foreach ($stage->gate as $j => $criterion) {
                $named(
                    "stages/$i/gate/$j/prescription",
                    $criterion instanceof OverPrescription ? $criterion->prescription() : null,
                    $prescriptions,
                    'a prescription of the file',
                );
            }
        }
        foreach ($file->stage_history as $i => $entry) {
            $named("stage_history/$i/stage", $entry->stage, $stages, 'a stage of the file');
        }
        foreach ($file->sessions as $i => $session) {
            $named("sessions/$i/stage", $session->stage, $stages, 'a stage of the file');
            $named("sessions/$i/planned", $session->planned, $planned, 'a planned session of the file');
            foreach ($session->entries as $j => $entry) {
                $named(
                    "sessions/$i/entries/$j/prescription",
                    $entry->prescription,
                    $prescriptions,
                    'a prescription of the file',
                );
            }
        }
        foreach ($file->sign_offs as $i => $signOff) {
            $named("sign_offs/$i/stage", $signOff->stage, $stages, 'a stage of the file');
        }
        foreach ($file->reviews as $i => $review) {
            $named("reviews/$i/clears", $review->clears, $clearable, 'a session or check-in of the file');
        }
        foreach ($file->dose_changes as $i => $change) {
            $named("dose_changes/$i/prescription", $change->prescription, $prescriptions, 'a prescription of the file');
        }
    }

    private static function checkHistory(ObjectNode $node, CaseFile $file): void
    {
        if ($file->stage_history === [] && $node->isEmptyList('stage_history')) {
            $node->fault('stage_history', 'must hold at least the stage in which the case began');
        }
        foreach ($file->stage_history as $i => $entry) {
            $before = $file->stage_history[$i - 1] ?? null;
            // A faulty date is reported once.
            $isSound =
                !$node->isFaultyAt("stage_history/$i/from") &&
                !$node->isFaultyAt('stage_history/' . ($i - 1) . '/from');
            if ($before !== null && $isSound && !$entry->from->isAfter($before->from)) {
                $node->inItem("stage_history/$i/from", 'must be later than the date of the entry before');
            }
        }
    }

    /** Pain that is wanted must be pain that is allowed, by the school where the prescription does not say. */
    private static function checkWantedPain(ObjectNode $node, CaseFile $file): void
    {
        foreach ($file->stages as $i => $stage) {
            foreach ($stage->prescriptions as $j => $prescription) {
                if (
                    $prescription->pain?->max === null &&
                    ($prescription->pain->min ?? 0) > $file->response_rule->during_max &&
                    $node->isSound('response_rule', 'during_max')
                ) {
                    $node->inItem(
                        "stages/$i/prescriptions/$j/pain/min",
                        'must not be over the limit of the response rule (during_max)',
                    );
                }
            }
        }
    }

    private static function checkBodyMass(ObjectNode $node, CaseFile $file): void
    {
        $lifted = array_filter(
            $file->prescriptions(),
            static fn(Prescription $prescription): bool => ($prescription->dose->body_fraction ?? 0) > 0 ||
                ($prescription->before->dose->body_fraction ?? 0) > 0,
        );
        $athlete = (new Names($node->raw()))->at('athlete');
        if ($lifted !== [] && is_object($athlete) && !isset($athlete->body_mass_kg)) {
            $node->inItem('athlete/body_mass_kg', 'is needed, since a dose lifts a part of the body (body_fraction)');
        }
    }
}
