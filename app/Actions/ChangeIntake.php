<?php

declare(strict_types=1);

namespace App\Actions;

use App\Care\Advice;
use App\Models\CareCase;
use App\Models\Decision;
use App\Models\User;
use App\Support\CatalogueShelf;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Dose\Prescription;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Time\Day;
use Rung\Core\Time\TimeWords;
use Symfony\Component\HttpKernel\Exception\ConflictHttpException;

/** Keeps what intake asked for up to date: what it said before stands in the record, the calendar follows. */
final class ChangeIntake
{
    public function __construct(
        private readonly WriteCase $write,
        private readonly RefreshStanding $standing,
        private readonly CatalogueShelf $shelf,
    ) {}

    /**
     * @throws InvalidInput where nothing is another
     * @throws ConflictHttpException where somebody else changed it meanwhile
     */
    public function handle(CareCase $case, User $by, IntakeData $request): Decision
    {
        return $this->write->run($case, $by, 'changed what intake says', function (CareCase $case) use (
            $by,
            $request,
        ): Decision {
            // An answer of the athlete that came in meanwhile is no matter; another change of the intake is.
            if ($request->revision !== IntakeData::revisionOf($case)) {
                throw new ConflictHttpException(
                    'Somebody else has changed the intake meanwhile. Look at the changes below; save again to replace them with yours.',
                );
            }
            $words = self::changes($case, $request, $this->shelf->forPractice($case->practice_id));
            if ($words === []) {
                throw InvalidInput::at('/history', 'is as it was, like every other field: change one, then save');
            }
            self::checkBodyMass($case, $request);
            $case->athlete->update(['body_mass_kg' => $request->bodyMassKg, 'born_on' => $request->bornOn?->toIso()]);
            $case
                ->forceFill([
                    'history' => $request->history,
                    'goal' => $request->goal->value,
                    'goal_on' => $request->goalOn?->toIso(),
                    'events' => $request->events,
                    'blocked' => $request->blocked,
                    'equipment' => $request->equipment,
                    'session_minutes' => $request->sessionMinutes,
                    'advice' => self::advice($case, $request),
                    'intake' => $case->intake->with([
                        'beganOn' => $request->beganOn,
                        'loadChange' => $request->loadChange,
                        'aggravating' => $request->aggravating,
                        'occupation' => $request->occupation,
                        'medicines' => $request->medicines,
                        'seasonFrom' => $request->seasonFrom,
                        'seasonUntil' => $request->seasonUntil,
                        'found' => $request->found ?? $case->intake->found,
                    ]),
                ])
                ->save();
            if ($case->closed_on === null) {
                PlanSessions::ahead($case);
            }

            return RecordDecision::record(
                $case->refresh(),
                $by,
                'intake',
                implode('; ', $words),
                $request->why,
                $this->standing->evaluate($case),
            );
        });
    }

    /** @throws InvalidInput where the plan lifts the body and its mass is taken away */
    private static function checkBodyMass(CareCase $case, IntakeData $request): void
    {
        $lifted = array_filter(
            $case->plan()->prescriptions(),
            static fn(Prescription $prescription): bool => ($prescription->dose->body_fraction ?? 0) > 0,
        );
        if ($request->bodyMassKg === null && $lifted !== []) {
            throw InvalidInput::at('/body_mass_kg', 'is needed: the plan lifts a share of the body');
        }
    }

    /** @return list<string> what is another now, old → new */
    private static function changes(CareCase $case, IntakeData $request, Catalogue $catalogue): array
    {
        $findings = static fn(array $keys): string => implode(
            ', ',
            array_map(
                static fn(mixed $key): string => is_string($key)
                    ? lcfirst($catalogue->findings[$key]->words ?? $key)
                    : '',
                $keys,
            ),
        );
        $days = static fn(Day ...$listed): string => implode(', ', array_map(TimeWords::day(...), $listed));
        $text = static fn(mixed $value): string => is_scalar($value) ? (string) $value : '';
        $fields = [
            'History' => [$text($case->history), $text($request->history)],
            'Pain began on' => [$text($case->intake->beganOn?->toIso()), $text($request->beganOn?->toIso())],
            'Cause' => [$text($case->intake->loadChange), $text($request->loadChange)],
            'Worse with' => [$text($case->intake->aggravating), $text($request->aggravating)],
            'Occupation' => [$text($case->intake->occupation), $text($request->occupation)],
            'Medicines' => [$text($case->intake->medicines), $text($request->medicines)],
            'Goal' => [$case->goal, $request->goal->value],
            'Goal by' => [$text($case->goal_on), $text($request->goalOn?->toIso())],
            'Shows' => [$days(...$case->events), $days(...$request->events)],
            'Blocked days' => [$days(...$case->blocked), $days(...$request->blocked)],
            'Equipment' => [implode(', ', $case->equipment ?? []), implode(', ', $request->equipment ?? [])],
            'Minutes for a session' => [$text($case->session_minutes), $text($request->sessionMinutes)],
            'Date of birth' => [$text($case->athlete->born_on), $text($request->bornOn?->toIso())],
            'Season from' => [$text($case->intake->seasonFrom?->toIso()), $text($request->seasonFrom?->toIso())],
            'Season until' => [$text($case->intake->seasonUntil?->toIso()), $text($request->seasonUntil?->toIso())],
            'Body mass' => [$text($case->athlete->body_mass_kg), $text($request->bodyMassKg)],
            'Found' => [$findings($case->intake->found), $findings($request->found ?? $case->intake->found)],
            'Advice' => [
                implode(' ', array_column($case->advice, 'words')),
                implode(' ', array_column($request->advice, 'words')),
            ],
            'Advice until' => [
                $days(...array_values(array_filter(array_column($case->advice, 'until')))),
                $days(...array_values(array_filter(array_column($request->advice, 'until')))),
            ],
        ];
        $words = [];
        foreach ($fields as $label => [$before, $after]) {
            if ($before !== $after) {
                $words[] =
                    "$label: " . ($before === '' ? 'nothing' : $before) . ' → ' . ($after === '' ? 'nothing' : $after);
            }
        }

        return $words;
    }

    /** @return list<Advice> what was advised before stands from the day on which it was */
    private static function advice(CareCase $case, IntakeData $request): array
    {
        $since = array_column($case->advice, 'from', 'words');

        return array_map(
            static fn(Advice $advice): Advice => new Advice(
                $advice->words,
                $since[$advice->words] ?? $advice->from,
                $advice->until,
            ),
            $request->advice,
        );
    }
}
