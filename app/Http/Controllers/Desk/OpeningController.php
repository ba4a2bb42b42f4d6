<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Actions\ReferInstead;
use App\Http\Controllers\Controller;
use App\Http\Requests\Desk\OpeningFormRequest;
use App\Http\Requests\Desk\ReferralRequest;
use App\Http\Resources\OpeningResource;
use App\Http\Resources\ReferralResource;
use App\Models\AccessKind;
use App\Models\Opening;
use App\Support\AccessLog;
use App\Support\CatalogueShelf;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Openings that were left, to be taken up again. What is typed is kept as it is, sound or not. */
final class OpeningController extends Controller
{
    public function __construct(private readonly CatalogueShelf $shelf) {}

    public function index(): JsonResponse
    {
        $openings = Opening::query()
            ->whereNull('case_id')
            ->whereNull('discarded_at')
            ->whereNull('referred_at')
            ->with('practitioner')
            ->orderByDesc('updated_at')
            ->limit(50)
            ->get();

        return new JsonResponse([
            'openings' => OpeningResource::collection($openings),
        ]);
    }

    public function store(OpeningFormRequest $request): JsonResponse
    {
        $opening = Opening::query()->create(
            $request->typed() + [
                'practice_id' => self::person($request)->practice_id,
                'practitioner_id' => self::person($request)->id,
            ],
        );

        return new JsonResponse(['id' => $opening->id], 201);
    }

    public function show(Request $request, Opening $opening): JsonResponse
    {
        AccessLog::note(self::person($request), AccessKind::Read, 'took up an opening');

        return new JsonResponse(['id' => $opening->id, 'step' => $opening->step, 'form' => $opening->form]);
    }

    public function update(OpeningFormRequest $request, Opening $opening): JsonResponse
    {
        // What comes late, when the case is open already, is in the case.
        if ($opening->case_id === null && $opening->referred_at === null) {
            $opening->update($request->typed() + ['discarded_at' => null]);
        }

        return new JsonResponse(['stored' => true]);
    }

    /** Ends it with a letter instead of a case. */
    public function refer(ReferralRequest $request, Opening $opening, ReferInstead $refer): JsonResponse
    {
        $by = self::person($request);
        [$to, $why] = $request->value();
        $referral = $refer->handle($opening, $by, $to, $why, $this->shelf->forPractice($by->practice_id));
        AccessLog::note($by, AccessKind::Change, 'referred instead of opening a case');

        return new JsonResponse($referral, 201);
    }

    /** Openings that ended with a letter, the latest first. */
    public function referrals(Request $request): JsonResponse
    {
        AccessLog::note(self::person($request), AccessKind::Read, 'looked at referrals');
        $referred = Opening::query()
            ->whereNotNull('referred_at')
            ->with('practitioner')
            ->orderByDesc('referred_at')
            ->limit(50)
            ->get();

        return new JsonResponse([
            'referrals' => ReferralResource::collection($referred),
        ]);
    }

    /** Taken off the list; saving it again brings it back. */
    public function discard(Opening $opening): JsonResponse
    {
        $opening->update(['discarded_at' => CarbonImmutable::now()]);

        return new JsonResponse(['stored' => true]);
    }
}
