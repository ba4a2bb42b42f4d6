<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Actions\ReferInstead;
use App\Http\Controllers\Controller;
use App\Http\Requests\ReadsCore;
use App\Models\AccessKind;
use App\Models\Opening;
use App\Support\AccessLog;
use App\Support\CatalogueShelf;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Input\ObjectNode;

/** Openings that were left, to be taken up again. What is typed is kept as it is, sound or not. */
final class OpeningController extends Controller
{
    private const LARGEST_BYTES = 65536;

    private const STEPS = 7;

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
            'openings' => array_values(
                $openings
                    ->map(
                        static fn(Opening $opening): array => [
                            'id' => $opening->id,
                            'name' => $opening->name,
                            'step' => $opening->step,
                            'by' => $opening->practitioner->name,
                            'updated_at' => $opening->updated_at->toIso8601String(),
                        ],
                    )
                    ->all(),
            ),
        ]);
    }

    public function store(Request $request): JsonResponse
    {
        $opening = Opening::query()->create(
            self::typed($request) + [
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

    public function update(Request $request, Opening $opening): JsonResponse
    {
        // What comes late, when the case is open already, is in the case.
        if ($opening->case_id === null && $opening->referred_at === null) {
            $opening->update(self::typed($request) + ['discarded_at' => null]);
        }

        return new JsonResponse(['stored' => true]);
    }

    /** Ends it with a letter instead of a case. */
    public function refer(Request $request, Opening $opening, ReferInstead $refer): JsonResponse
    {
        $by = self::person($request);
        [$to, $why] = ReadsCore::from($request, static function (ObjectNode $node): array {
            $texts = [trim($node->textOrNull('to') ?? ''), trim($node->textOrNull('why') ?? '')];
            if ($texts[0] === '') {
                $node->fault('to', 'is needed: say to whom');
            }
            if ($texts[1] === '') {
                $node->fault('why', 'is needed: say what you ask for and why');
            }

            return $texts;
        });
        $referral = ReadsCore::refusing(
            fn(): array => $refer->handle($opening, $by, $to, $why, $this->shelf->of($by->practice_id)),
        );
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
            'referrals' => array_values(
                $referred
                    ->map(
                        static fn(Opening $opening): array => [
                            'id' => $opening->id,
                            'name' => $opening->name,
                            'at' => $opening->referred_at?->toIso8601String(),
                            'by' => $opening->practitioner->name,
                            'to' => $opening->referral['to'] ?? '',
                            'letter' => $opening->referral['letter'] ?? '',
                        ],
                    )
                    ->all(),
            ),
        ]);
    }

    /** Taken off the list; saving it again brings it back. */
    public function discard(Opening $opening): JsonResponse
    {
        $opening->update(['discarded_at' => CarbonImmutable::now()]);

        return new JsonResponse(['stored' => true]);
    }

    /** @return array{name: string, step: int, form: object} */
    private static function typed(Request $request): array
    {
        $fields =
            strlen($request->getContent()) <= self::LARGEST_BYTES
                ? json_decode($request->getContent(), false, 16)
                : null;
        $form = is_object($fields) ? $fields->form ?? null : null;
        if (!is_object($fields) || !is_object($form)) {
            ReadsCore::refusing(
                static fn() => throw InvalidInput::at(
                    '/form',
                    'must be the fields of the form, 64 KiB at most; shorten the longest text',
                ),
            );
        }
        $step = $fields->step ?? 1;
        $name = $form->name ?? '';

        return [
            'name' => is_string($name) && trim($name) !== '' ? mb_substr(trim($name), 0, 120) : 'Not named yet',
            'step' => is_int($step) ? max(1, min(self::STEPS, $step)) : 1,
            'form' => $form,
        ];
    }
}
