<?php

declare(strict_types=1);

namespace App\Http\Controllers\Phone;

use App\Actions\CorrectEntry;
use App\Actions\CorrectionRequest;
use App\Actions\ExplainMissed;
use App\Actions\MoveOwnSession;
use App\Actions\WriteToPractitioner;
use App\Http\Controllers\Controller;
use App\Http\Requests\ReadsCore;
use App\Models\Correction;
use App\Models\Message;
use App\Models\MessageKind;
use App\Models\PlannedSession;
use App\Support\AccessLog;
use App\Support\CaseWeeks;
use App\Support\OtherDays;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Rung\Core\Input\ObjectNode;

/** What an athlete puts right, says of a session that was missed, and writes to whoever treats them. */
final class EntryController extends Controller
{
    use OwnCases;

    public function correct(Request $request, string $id, CorrectEntry $correct): JsonResponse
    {
        $case = $this->namedCase($request);
        $asked = ReadsCore::from($request, CorrectionRequest::read(...));
        $new = ReadsCore::refusing(
            static fn(): bool => $correct->handle(
                $case,
                self::person($request),
                self::uuid($id, Correction::class),
                $asked,
            ),
        );

        return self::stored($new);
    }

    public function missed(Request $request, string $id, ExplainMissed $explain): JsonResponse
    {
        $case = $this->namedCase($request);
        $planned = PlannedSession::query()
            ->where('case_id', $case->id)
            ->findOrFail(self::uuid($id, PlannedSession::class));
        $why = ReadsCore::from($request, static fn(ObjectNode $node): string => $node->text('why'));
        ReadsCore::refusing(static fn() => $explain->handle($case, self::person($request), $planned, $why));

        return new JsonResponse(['stored' => true]);
    }

    /** The other days on which a session may be done, and what would break there. */
    public function otherDays(Request $request, string $id): JsonResponse
    {
        $case = $this->namedCase($request);
        AccessLog::read(self::person($request), $case, 'looked for another day');
        $planned = self::uuid($id, PlannedSession::class);

        return new JsonResponse([
            'choices' => $case->isStopped()
                ? []
                : ReadsCore::refusing(static fn(): array => OtherDays::of(CaseWeeks::of($case), $planned)->toArray()),
        ]);
    }

    public function move(Request $request, string $id, MoveOwnSession $move): JsonResponse
    {
        $case = $this->namedCase($request);
        [$planned, $on, $why] = ReadsCore::from(
            $request,
            static fn(ObjectNode $node): array => [
                $node->key('planned'),
                $node->day('on'),
                trim($node->textOrNull('why') ?? ''),
            ],
        );
        $moved = ReadsCore::refusing(
            static fn(): bool => $move->handle(
                $case,
                self::person($request),
                self::uuid($id, Message::class),
                $planned,
                $on,
                $why,
            ),
        );

        return new JsonResponse(['moved' => $moved]);
    }

    public function message(Request $request, string $id, WriteToPractitioner $write): JsonResponse
    {
        $case = $this->namedCase($request);
        [$kind, $words, $pain] = ReadsCore::from(
            $request,
            static fn(ObjectNode $node): array => [
                $node->choice('kind', MessageKind::class),
                $node->text('words'),
                $node->wholeOrNull('pain', 0, 10),
            ],
        );
        $new = ReadsCore::refusing(
            static fn(): bool => $write->handle(
                $case,
                self::person($request),
                self::uuid($id, Message::class),
                $kind,
                $words,
                $pain,
            ),
        );

        return self::stored($new);
    }

    private static function stored(bool $new): JsonResponse
    {
        return new JsonResponse(['stored' => true, 'new' => $new], $new ? 201 : 200);
    }
}
