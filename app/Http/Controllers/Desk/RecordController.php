<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Http\Controllers\Controller;
use App\Http\Requests\CoreFaults;
use App\Http\Resources\AccessRecord;
use App\Models\AccessKind;
use App\Models\Athlete;
use App\Models\Role;
use App\Models\User;
use App\Support\AccessChain;
use App\Support\AccessLog;
use App\Support\Csv;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Who saw and changed what: for the owner. Reading it is written down too. */
final class RecordController extends Controller
{
    /** Lines of one file. */
    private const MOST = 50_000;

    public function index(Request $request, AccessChain $chain): JsonResponse
    {
        $person = self::person($request);
        $record = new AccessRecord($person->practice->timezone, $request->query->all());
        $page = CoreFaults::refusing(static fn(): array => $record->page());
        AccessLog::note($person, AccessKind::Read, 'looked at the record of who saw what');

        return new JsonResponse(
            $page + [
                'kinds' => array_map(
                    static fn(AccessKind $accessKind): array => [
                        'key' => $accessKind->value,
                        'title' => $accessKind->title(),
                    ],
                    AccessKind::cases(),
                ),
                'people' => self::named(
                    User::query()
                        ->whereIn('role', Role::STAFF)
                        ->orderBy('name')
                        ->get(['id', 'name'])
                        ->all(),
                ),
                'athletes' => self::named(
                    Athlete::query()
                        ->orderBy('name')
                        ->get(['id', 'name'])
                        ->all(),
                ),
                'newest_link' => $chain->newest($person->practice_id),
            ],
        );
    }

    public function export(Request $request): StreamedResponse
    {
        $person = self::person($request);
        $record = new AccessRecord($person->practice->timezone, $request->query->all());
        CoreFaults::refusing(static fn() => $record->narrowed());
        AccessLog::exported($person, 'exported the record of who saw what', []);

        return Csv::download(
            'who-saw-what',
            ['at', 'person', 'role', 'kind', 'what', 'athletes', 'details'],
            $person->practice_id,
            static function () use ($record): iterable {
                foreach ($record->narrowed()->limit(self::MOST)->lazy(500)->chunk(500) as $chunk) {
                    foreach ($record->lines(array_values($chunk->all())) as $line) {
                        yield [
                            $line['at'],
                            $line['person'],
                            $line['role'],
                            $line['kind'],
                            $line['what'],
                            implode('; ', $line['athletes']),
                            $line['details'] ?? '',
                        ];
                    }
                }
            },
        );
    }

    /**
     * @param array<array-key, User|Athlete> $rows
     *
     * @return list<array{key: string, title: string}>
     */
    private static function named(array $rows): array
    {
        return array_map(
            static fn(User|Athlete $row): array => ['key' => $row->id, 'title' => $row->name],
            array_values($rows),
        );
    }
}
