<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Access\Permission;
use App\Actions\HandOver;
use App\Http\Controllers\Controller;
use App\Http\Requests\Access\CoverRequest;
use App\Http\Requests\Access\HandOverRequest;
use App\Http\Requests\Access\OpenOtherRequest;
use App\Http\Requests\Access\ShareCaseRequest;
use App\Http\Resources\CaseShareResource;
use App\Http\Resources\ColleagueResource;
use App\Http\Resources\CoverResource;
use App\Http\Resources\OtherCaseResource;
use App\Models\AccessKind;
use App\Models\CareCase;
use App\Models\CaseShare;
use App\Models\Cover;
use App\Models\Role;
use App\Models\ShareKind;
use App\Models\User;
use App\Support\AccessLog;
use App\Support\CaseSearch;
use App\Support\Clock;
use App\Support\CurrentPractice;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use Rung\Core\Time\Day;

/** Whose a case is, who else sees it, and who stands in for whom. */
final class SharingController extends Controller
{
    private const SHOWN = 20;

    public function __construct(private readonly CurrentPractice $practice) {}

    public function show(CareCase $case): JsonResponse
    {
        return new JsonResponse(self::shares($case));
    }

    /** A colleague sees this case too; for an assistant that is what assigns it. */
    public function share(ShareCaseRequest $request, CareCase $case): JsonResponse
    {
        $with = self::active()->find($request->string('user')->value());
        if ($with === null || $with->id === $case->practitioner_id) {
            throw ValidationException::withMessages(['user' => 'Choose a colleague whose case it is not.']);
        }
        DB::transaction(static function () use ($request, $case, $with): void {
            self::open($case)
                ->where('user_id', $with->id)
                ->update(['ended_at' => CarbonImmutable::now()->utc()]);
            CaseShare::query()->create([
                'practice_id' => $case->practice_id,
                'case_id' => $case->id,
                'user_id' => $with->id,
                'kind' => ShareKind::Shared,
                'by' => self::person($request)->id,
                'at' => CarbonImmutable::now()->utc(),
                'until' => $request->until(),
            ]);
            AccessLog::changed(self::person($request), $case, "shared the case with $with->name");
        });

        return new JsonResponse(self::shares($case), 201);
    }

    public function endShare(Request $request, CareCase $case, string $share): JsonResponse
    {
        $found = self::open($case)->with('user')->findOrFail($share);
        $found->forceFill(['ended_at' => CarbonImmutable::now()->utc()])->save();
        AccessLog::changed(self::person($request), $case, "shares the case no longer with {$found->user->name}");

        return new JsonResponse(self::shares($case));
    }

    public function handOver(HandOverRequest $request, CareCase $case, HandOver $hand): JsonResponse
    {
        abort_if(
            $case->closed_on !== null,
            409,
            'This case is closed: it stays with whoever closed it. Open it again first.',
        );
        $to = self::active()
            ->whereIn('role', [Role::Owner, Role::Practitioner])
            ->find($request->string('to')->value());
        if ($to === null || $to->id === $case->practitioner_id) {
            throw ValidationException::withMessages(['to' => 'Choose a practitioner whose case it is not.']);
        }
        $hand->case($case, $to, $request->note(), self::person($request));

        return new JsonResponse(['stored' => true]);
    }

    /** Who stands in for whom, now and ahead, and the colleagues to choose from. */
    public function covers(Request $request): JsonResponse
    {
        return new JsonResponse(self::away(self::person($request)));
    }

    public function cover(CoverRequest $request): JsonResponse
    {
        $person = self::person($request);
        $people = self::active()
            ->whereIn('id', [$request->string('of')->value(), $request->string('user')->value()])
            ->get()
            ->keyBy('id');
        [$of, $by] = [
            $people[$request->string('of')->value()] ?? null,
            $people[$request->string('user')->value()] ?? null,
        ];
        if ($of === null || !$of->role->treats() || ($of->id !== $person->id && !$person->may(Permission::Manage))) {
            throw ValidationException::withMessages([
                'of' => 'Choose yourself; the owner of the practice arranges it for others.',
            ]);
        }
        if ($by === null || !$by->role->treats()) {
            throw ValidationException::withMessages(['user' => 'Choose an owner or practitioner of your practice.']);
        }
        [$from, $until] = [$request->string('from')->value(), $request->string('until')->value()];
        DB::transaction(static function () use ($person, $of, $by, $from, $until): void {
            Cover::query()->create([
                'practice_id' => $person->practice_id,
                'of' => $of->id,
                'user_id' => $by->id,
                'from' => $from,
                'until' => $until,
                'by' => $person->id,
                'at' => CarbonImmutable::now()->utc(),
            ]);
            AccessLog::note($person, AccessKind::People, "$by->name stands in for $of->name from $from to $until");
        });

        return new JsonResponse(self::away($person), 201);
    }

    public function endCover(Request $request, string $cover): JsonResponse
    {
        $person = self::person($request);
        $found = Cover::query()
            ->with(['away', 'user'])
            ->whereNull('ended_at')
            ->findOrFail($cover);
        abort_unless($found->of === $person->id || $person->may(Permission::Manage), 403);
        $found->forceFill(['ended_at' => CarbonImmutable::now()->utc()])->save();
        AccessLog::note(
            $person,
            AccessKind::People,
            "{$found->user->name} stands in for {$found->away->name} no longer",
        );

        return new JsonResponse(self::away($person));
    }

    /** Cases that the person does not see: name, structure and whose they are, and no more, for when there is no time to ask. */
    public function others(Request $request): JsonResponse
    {
        $person = self::person($request);
        $typed = $request->string('search')->limit(80, '')->trim()->value();
        if (mb_strlen($typed) < 3) {
            return new JsonResponse(['cases' => []]);
        }
        $seen = CareCase::query()->whereNull('closed_on')->pluck('id')->all();
        $found = $this->practice->onEveryCase(static function () use ($typed, $seen): array {
            $query = CareCase::query()
                ->with(['athlete', 'practitioner'])
                ->whereNull('closed_on')
                ->whereNotIn('id', $seen);
            CaseSearch::narrow($query->getQuery(), 'cases', $typed);

            return array_values($query->orderBy('opened_on')->limit(self::SHOWN)->get()->all());
        });
        AccessLog::readMany(
            $person,
            'looked for a case of others',
            array_map(static fn(CareCase $case): string => $case->id, $found),
        );

        return new JsonResponse([
            'cases' => OtherCaseResource::collection($found),
        ]);
    }

    /** Opens a colleague's case for a day, with a reason; the owner can see that. */
    public function openOther(OpenOtherRequest $request, string $other): JsonResponse
    {
        $person = self::person($request);
        $case = $this->practice->onEveryCase(
            static fn(): CareCase => CareCase::query()->whereNull('closed_on')->findOrFail($other),
        );
        DB::transaction(static function () use ($request, $person, $case): void {
            CaseShare::query()->create([
                'practice_id' => $case->practice_id,
                'case_id' => $case->id,
                'user_id' => $person->id,
                'kind' => ShareKind::Opened,
                'reason' => $request->reason(),
                'by' => $person->id,
                'at' => CarbonImmutable::now()->utc(),
                'until' => Clock::today($person->practice->timezone)->plus(1)->toIso(),
            ]);
            AccessLog::note(
                $person,
                AccessKind::People,
                'opened a case of others: ' . $request->reason(),
                null,
                $case->athlete_id,
            );
        });

        return new JsonResponse(['stored' => true], 201);
    }

    /** @return Builder<User> */
    private static function active(): Builder
    {
        return User::query()->whereIn('role', Role::STAFF)->whereNull('suspended_at')->whereNull('left_at');
    }

    /** @return Builder<CaseShare> that stand */
    private static function open(CareCase $case): Builder
    {
        return CaseShare::query()->where('case_id', $case->id)->whereNull('ended_at');
    }

    /** @return array<string, mixed> */
    private static function shares(CareCase $case): array
    {
        $today = Clock::today($case->practice->timezone)->toIso();
        $shares = self::open($case)
            ->where(static fn(Builder $query) => $query->whereNull('until')->orWhere('until', '>=', $today))
            ->with(['user', 'giver'])
            ->orderBy('at')
            ->get();

        return [
            'practitioner' => ['id' => $case->practitioner_id, 'name' => $case->practitioner->name],
            'open_to_all' => $case->practice->cases_open_to === 'practice',
            'shares' => CaseShareResource::collection($shares),
            'colleagues' => self::colleagues(),
        ];
    }

    /** @return array<string, mixed> */
    private static function away(User $person): array
    {
        $today = Clock::today($person->practice->timezone)->toIso();
        $covers = Cover::query()
            ->whereNull('ended_at')
            ->where('until', '>=', $today)
            ->with(['away', 'user'])
            ->orderBy('from')
            ->get();

        return [
            'covers' => CoverResource::collection($covers),
            'colleagues' => self::colleagues(),
        ];
    }

    private static function colleagues(): AnonymousResourceCollection
    {
        return ColleagueResource::collection(self::active()->orderBy('name')->get());
    }
}
