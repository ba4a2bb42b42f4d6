<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\CareCase;
use App\Models\Message;
use App\Support\CaseSearch;
use Illuminate\Database\Eloquent\Builder;

/** What was written between the athletes and the practice, one thread for each case. */
final class MessagesPage
{
    private const MOST = 50;

    /** @var list<CareCase> */
    private array $cases = [];

    private bool $more = false;

    public function __construct(string $search, bool $waitingOnly)
    {
        $query = CareCase::query()
            ->whereHas('messages')
            ->with(['athlete', 'practice'])
            ->when($waitingOnly, static fn(Builder $query): Builder => $query->whereNotNull('asked_at'))
            ->addSelect([
                '*',
                'last_message' => Message::query()
                    ->select('id')
                    ->whereColumn('case_id', 'cases.id')
                    ->orderByDesc('at')
                    ->orderByDesc('id')
                    ->limit(1),
            ])
            // What waits comes first, the longest first; then what was written last.
            ->orderByRaw('asked_at is null, asked_at')
            ->orderByDesc(Message::query()->selectRaw('max(at)')->whereColumn('case_id', 'cases.id'))
            ->orderBy('id');
        CaseSearch::narrow($query->getQuery(), 'cases', $search);
        $cases = array_values(
            $query
                ->limit(self::MOST + 1)
                ->get()
                ->all(),
        );
        $this->cases = array_slice($cases, 0, self::MOST);
        $this->more = count($cases) > self::MOST;
    }

    /** @return list<string> ids of the cases on the page */
    public function shown(): array
    {
        return array_map(static fn(CareCase $case): string => $case->id, $this->cases);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $last = Message::query()
            ->whereKey(array_map(static fn(CareCase $case): mixed => $case->getAttribute('last_message'), $this->cases))
            ->with('user')
            ->get()
            ->keyBy('case_id');
        $threads = [];
        foreach ($this->cases as $case) {
            $message = $last->get($case->id);
            if ($message !== null) {
                $threads[] = [
                    'case' => $case->id,
                    'athlete' => $case->athlete->name,
                    'structure' => $case->structure_title,
                    'side' => $case->side,
                    'closed_on' => $case->closed_on,
                    'asked_at' => $case->asked_at?->setTimezone($case->practice->timezone)->toIso8601String(),
                    'last' => self::message($message, $case),
                ];
            }
        }

        return [
            'threads' => $threads,
            'waiting' => CareCase::query()->whereNotNull('asked_at')->count(),
            'more' => $this->more,
        ];
    }

    /** @return list<array<string, mixed>> newest first */
    public static function conversation(CareCase $case, int $most): array
    {
        return array_values(
            $case
                ->messages()
                ->with('user')
                ->limit($most)
                ->get()
                ->map(static fn(Message $message): array => self::message($message, $case))
                ->all(),
        );
    }

    /** @return array<string, mixed> */
    private static function message(Message $message, CareCase $case): array
    {
        return [
            'id' => $message->id,
            'at' => $message->at->setTimezone($case->practice->timezone)->toIso8601String(),
            'by' => $message->user->name,
            'kind' => $message->kind->value,
            'words' => $message->words,
            'sent' => $message->sent_at !== null,
            'pain' => $message->pain,
            'own' => $message->user->athlete_id !== null,
            'seen' => $message->seen_at !== null,
        ];
    }
}
