<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Actions\EraseAthlete;
use App\Http\Controllers\Controller;
use App\Models\AccessKind;
use App\Models\Athlete;
use App\Models\CareCase;
use App\Models\Consent;
use App\Models\ConsentPurpose;
use App\Support\AccessLog;
use App\Support\Clock;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use Rung\Core\Time\Day;

/** What an athlete may ask of the practice: what they agreed to, the record set aside, and the record erased. */
final class RightsController extends Controller
{
    private const SHOWN = 200;

    public function show(Request $request, CareCase $case): JsonResponse
    {
        AccessLog::read(self::person($request), $case, 'looked at what the athlete agreed to');

        return new JsonResponse(self::rights($case));
    }

    public function consent(Request $request, CareCase $case): JsonResponse
    {
        $request->validate(
            [
                'purpose' => ['required', Rule::enum(ConsentPurpose::class)],
                'given' => ['required', 'boolean'],
                'on' => ['required', 'date_format:Y-m-d'],
                'how' => ['required', 'string', 'max:200'],
            ],
            [
                'purpose.*' => 'Choose what it is about.',
                'given.*' => 'Say whether it was given or taken back.',
                'on.*' => 'Choose the day.',
                'how.*' => 'Say how, for instance “in person” or “by letter of 3 May”: 200 letters at most.',
            ],
        );
        $on = Day::fromIso($request->string('on')->value());
        if ($on->isAfter(Clock::today($case->practice->timezone))) {
            throw ValidationException::withMessages(['on' => 'The day must not lie in the future.']);
        }
        $purpose = ConsentPurpose::from($request->string('purpose')->value());
        DB::transaction(static function () use ($request, $case, $purpose, $on): void {
            Consent::query()->create([
                'practice_id' => $case->practice_id,
                'athlete_id' => $case->athlete_id,
                'purpose' => $purpose,
                'given' => $request->boolean('given'),
                'on' => $on->toIso(),
                'how' => trim($request->string('how')->value()),
                'user_id' => self::person($request)->id,
                'at' => CarbonImmutable::now()->utc(),
            ]);
            AccessLog::changed(
                self::person($request),
                $case,
                ($request->boolean('given')
                    ? 'wrote down an agreement: '
                    : 'wrote down that an agreement was taken back: ') . lcfirst($purpose->title()),
            );
        });

        return new JsonResponse(self::rights($case), 201);
    }

    /** Sets the record aside at the athlete's wish, or takes it up again. */
    public function restrict(Request $request, CareCase $case): JsonResponse
    {
        $request->validate(
            ['restricted' => ['required', 'boolean'], 'why' => ['required', 'string', 'max:300']],
            [
                'restricted.*' => 'Say whether the record is set aside.',
                'why.*' => 'Say what the athlete asked for, and why: 300 letters at most.',
            ],
        );
        $restricted = $request->boolean('restricted');
        DB::transaction(static function () use ($request, $case, $restricted): void {
            $case->athlete
                ->forceFill([
                    'restricted_at' => $restricted ? CarbonImmutable::now()->utc() : null,
                    'restricted_why' => $restricted ? trim($request->string('why')->value()) : null,
                ])
                ->save();
            // Open pages notice by the revision.
            CareCase::query()
                ->where('athlete_id', $case->athlete_id)
                ->increment('revision', 1, ['set_aside' => $restricted]);
            AccessLog::changed(
                self::person($request),
                $case,
                ($restricted ? 'set the record aside: ' : 'took the record up again: ') .
                    trim($request->string('why')->value()),
            );
        });

        return new JsonResponse(self::rights($case));
    }

    public function erase(Request $request, CareCase $case, EraseAthlete $erase): JsonResponse
    {
        $request->validate(
            ['name' => ['required', 'string', 'max:200'], 'why' => ['required', 'string', 'max:300']],
            [
                'name.*' => 'Type the name, so that it is nobody else.',
                'why.*' => 'Say who asked for it and when: 300 letters at most.',
            ],
        );
        if (mb_strtolower($request->string('name')->trim()->value()) !== mb_strtolower($case->athlete->name)) {
            throw ValidationException::withMessages(['name' => "This is not the name. Type: {$case->athlete->name}"]);
        }
        self::refuseOpen($case->athlete);
        $pseudonym = $erase->handle($case->athlete, trim($request->string('why')->value()), self::person($request));

        return new JsonResponse(['kept_as' => $pseudonym]);
    }

    /** Whose records need not be kept any longer; nothing is erased by looking. */
    public function due(Request $request): JsonResponse
    {
        AccessLog::note(
            self::person($request),
            AccessKind::Read,
            'looked at which records need not be kept any longer',
        );

        return new JsonResponse(self::retention($request));
    }

    public function eraseDue(Request $request, EraseAthlete $erase): JsonResponse
    {
        $request->validate(
            ['athletes' => ['required', 'array', 'min:1', 'max:' . self::SHOWN], 'athletes.*' => ['uuid']],
            ['athletes.*' => 'Choose whose records are erased.'],
        );
        $due = self::isDue($request)->whereIn('id', $request->collect('athletes'))->get();
        foreach ($due as $athlete) {
            $erase->handle(
                $athlete,
                'The time for which the practice keeps records has passed',
                self::person($request),
            );
        }

        return new JsonResponse(self::retention($request) + ['erased' => $due->count()]);
    }

    public function keep(Request $request): JsonResponse
    {
        $request->validate(
            ['kept_years' => ['present', 'nullable', 'integer', 'between:1,50']],
            ['kept_years.*' => 'Say for how many whole years records are kept: 1 to 50.'],
        );
        $person = self::person($request);
        $was = $person->practice->kept_years;
        $person->practice
            ->forceFill([
                'kept_years' => $request->input('kept_years') === null ? null : $request->integer('kept_years'),
            ])
            ->save();
        AccessLog::note($person, AccessKind::Settings, 'changed for how long records are kept', [
            'was' => $was,
            'is' => $person->practice->kept_years,
        ]);

        return new JsonResponse(self::retention($request));
    }

    /** @throws ValidationException */
    private static function refuseOpen(Athlete $athlete): void
    {
        if (CareCase::query()->where('athlete_id', $athlete->id)->whereNull('closed_on')->exists()) {
            throw ValidationException::withMessages([
                'name' => 'A case of this athlete is open. Close it first, so that nobody is treated without a record.',
            ]);
        }
    }

    /** @return Builder<Athlete> whose last case was closed longer ago than records are kept */
    private static function isDue(Request $request): Builder
    {
        $practice = self::person($request)->practice;
        $before =
            $practice->kept_years === null
                ? '0001-01-01'
                : CarbonImmutable::now($practice->timezone)->subYears($practice->kept_years)->toDateString();

        return Athlete::query()
            ->whereHas('cases')
            ->whereDoesntHave(
                'cases',
                static fn(Builder $case) => $case->whereNull('closed_on')->orWhere('closed_on', '>', $before),
            );
    }

    /** @return array<string, mixed> */
    private static function retention(Request $request): array
    {
        return [
            'kept_years' => self::person($request)->practice->kept_years,
            'due' => array_values(
                self::isDue($request)
                    ->withMax('cases', 'closed_on')
                    ->orderBy('name')
                    ->limit(self::SHOWN)
                    ->get()
                    ->map(
                        static fn(Athlete $athlete): array => [
                            'id' => $athlete->id,
                            'name' => $athlete->name,
                            'closed_on' => $athlete->getAttribute('cases_max_closed_on'),
                        ],
                    )
                    ->all(),
            ),
        ];
    }

    /** @return array<string, mixed> */
    private static function rights(CareCase $case): array
    {
        $athlete = $case->athlete;
        $zone = $case->practice->timezone;
        $all = Consent::query()
            ->where('athlete_id', $athlete->id)
            ->with('user')
            ->orderByDesc('on')
            ->orderByDesc('at')
            ->orderByDesc('id')
            ->get();

        return [
            'athlete' => $athlete->name,
            'purposes' => array_map(
                static fn(ConsentPurpose $consentPurpose): array => [
                    'key' => $consentPurpose->value,
                    'title' => $consentPurpose->title(),
                    'given' => $all->firstWhere('purpose', $consentPurpose)?->given,
                ],
                ConsentPurpose::cases(),
            ),
            'consents' => array_values(
                $all
                    ->map(
                        static fn(Consent $consent): array => [
                            'purpose' => $consent->purpose->title(),
                            'given' => $consent->given,
                            'on' => $consent->on,
                            'how' => $consent->how,
                            'by' => $consent->user->name,
                        ],
                    )
                    ->all(),
            ),
            'restricted' =>
                $athlete->restricted_at === null
                    ? null
                    : [
                        'at' => $athlete->restricted_at->setTimezone($zone)->toIso8601String(),
                        'why' => $athlete->restricted_why ?? '',
                    ],
            'kept_years' => $case->practice->kept_years,
            'is_kept' => EraseAthlete::mustBeKept($athlete, $case->practice),
            'is_unnamed' => $athlete->unnamed_at !== null,
            'has_open_case' => CareCase::query()->where('athlete_id', $athlete->id)->whereNull('closed_on')->exists(),
        ];
    }
}
