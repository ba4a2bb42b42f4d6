<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Actions\EraseAthlete;
use App\Http\Controllers\Controller;
use App\Http\Requests\Desk\EraseDueRequest;
use App\Http\Requests\Desk\EraseRequest;
use App\Http\Requests\Desk\GivenConsentRequest;
use App\Http\Requests\Desk\KeepYearsRequest;
use App\Http\Requests\Desk\RestrictRequest;
use App\Http\Resources\DueAthleteResource;
use App\Http\Resources\RightsPage;
use App\Models\AccessKind;
use App\Models\Athlete;
use App\Models\CareCase;
use App\Models\Consent;
use App\Support\AccessLog;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/** What an athlete may ask of the practice: what they agreed to, the record set aside, and the record erased. */
final class RightsController extends Controller
{
    public function show(Request $request, CareCase $case): JsonResponse
    {
        AccessLog::read(self::person($request), $case, 'looked at what the athlete agreed to');

        return new JsonResponse(RightsPage::present($case));
    }

    public function consent(GivenConsentRequest $request, CareCase $case): JsonResponse
    {
        DB::transaction(static function () use ($request, $case): void {
            Consent::query()->create([
                'practice_id' => $case->practice_id,
                'athlete_id' => $case->athlete_id,
                'purpose' => $request->purpose(),
                'given' => $request->boolean('given'),
                'on' => $request->string('on')->value(),
                'how' => $request->how(),
                'user_id' => self::person($request)->id,
                'at' => CarbonImmutable::now()->utc(),
            ]);
            AccessLog::changed(
                self::person($request),
                $case,
                ($request->boolean('given')
                    ? 'wrote down an agreement: '
                    : 'wrote down that an agreement was taken back: ') . lcfirst($request->purpose()->title()),
            );
        });

        return new JsonResponse(RightsPage::present($case), 201);
    }

    /** Sets the record aside at the athlete's wish, or takes it up again. */
    public function restrict(RestrictRequest $request, CareCase $case): JsonResponse
    {
        $restricted = $request->boolean('restricted');
        DB::transaction(static function () use ($request, $case, $restricted): void {
            $case->athlete
                ->forceFill([
                    'restricted_at' => $restricted ? CarbonImmutable::now()->utc() : null,
                    'restricted_why' => $restricted ? $request->why() : null,
                ])
                ->save();
            // Open pages notice by the revision.
            CareCase::query()
                ->where('athlete_id', $case->athlete_id)
                ->increment('revision', 1, ['set_aside' => $restricted]);
            AccessLog::changed(
                self::person($request),
                $case,
                ($restricted ? 'set the record aside: ' : 'took the record up again: ') . $request->why(),
            );
        });

        return new JsonResponse(RightsPage::present($case));
    }

    public function erase(EraseRequest $request, CareCase $case, EraseAthlete $erase): JsonResponse
    {
        if (!$request->names($case->athlete)) {
            throw ValidationException::withMessages(['name' => "This is not the name. Type: {$case->athlete->name}"]);
        }
        self::refuseOpen($case->athlete);
        $pseudonym = $erase->handle($case->athlete, $request->why(), self::person($request));

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

    public function eraseDue(EraseDueRequest $request, EraseAthlete $erase): JsonResponse
    {
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

    public function keep(KeepYearsRequest $request): JsonResponse
    {
        $person = self::person($request);
        $was = $person->practice->kept_years;
        $person->practice->forceFill(['kept_years' => $request->years()])->save();
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
            'due' => DueAthleteResource::collection(
                self::isDue($request)
                    ->withMax('cases', 'closed_on')
                    ->orderBy('name')
                    ->limit(EraseDueRequest::MOST)
                    ->get(),
            ),
        ];
    }
}
