<?php

declare(strict_types=1);

namespace App\Http\Controllers\Phone;

use App\Actions\CorrectEntry;
use App\Actions\CorrectionRequest;
use App\Actions\TellMissed;
use App\Actions\WriteToPractitioner;
use App\Http\Controllers\Controller;
use App\Http\Requests\ReadsCore;
use App\Models\Correction;
use App\Models\Message;
use App\Models\MessageKind;
use App\Models\PlannedSession;
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
        $new = ReadsCore::refusing(static fn(): bool => $correct->handle($case, self::person($request), self::uuid($id, Correction::class), $asked));

        return self::stored($new);
    }

    public function missed(Request $request, string $id, TellMissed $tell): JsonResponse
    {
        $case = $this->namedCase($request);
        $planned = PlannedSession::query()->where('case_id', $case->id)->findOrFail(self::uuid($id, PlannedSession::class));
        $why = ReadsCore::from($request, static fn(ObjectNode $node): string => $node->text('why'));
        ReadsCore::refusing(static fn() => $tell->handle($case, self::person($request), $planned, $why));

        return new JsonResponse(['stored' => true]);
    }

    public function message(Request $request, string $id, WriteToPractitioner $write): JsonResponse
    {
        $case = $this->namedCase($request);
        [$kind, $words, $pain] = ReadsCore::from($request, static fn(ObjectNode $node): array => [
            $node->choice('kind', MessageKind::class), $node->text('words'), $node->wholeOrNull('pain', 0, 10),
        ]);
        $new = ReadsCore::refusing(static fn(): bool => $write->handle($case, self::person($request), self::uuid($id, Message::class), $kind, $words, $pain));

        return self::stored($new);
    }

    private static function stored(bool $new): JsonResponse
    {
        return new JsonResponse(['stored' => true, 'new' => $new], $new ? 201 : 200);
    }
}
