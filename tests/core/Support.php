<?php

declare(strict_types=1);

namespace Tests\Core;

use Random\Engine\Mt19937;
use Random\Randomizer;
use Rung\Core\Calendar\Weekday;
use Rung\Core\CaseFile\Athlete;
use Rung\Core\CaseFile\CaseFile;
use Rung\Core\CaseFile\Details;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Catalogue\CatalogueFolder;
use Rung\Core\Cli\Command;
use Rung\Core\Record\Goal;
use Rung\Core\Record\Side;
use Rung\Core\Record\Structure;
use Rung\Core\Simulation\CaseSimulator;
use Rung\Core\Simulation\SimulatedHistory;
use Rung\Core\Simulation\Story;
use Rung\Core\Simulation\Temper;
use Rung\Core\Time\Moment;
use Rung\Core\Time\Zone;

/** What the tests of the core share. */
final class Support
{
    public const NOW = '2026-05-20T12:00:00+01:00';

    /**
     * bin/rung in this process.
     *
     * @param list<string> $arguments
     *
     * @return array{int, mixed, string} exit code, the answer, what was said on standard error
     */
    public static function rung(array $arguments, string $input = ''): array
    {
        $streams = array_map(static fn(): mixed => fopen('php://memory', 'w+'), range(0, 2));
        assert(is_resource($streams[0]) && is_resource($streams[1]) && is_resource($streams[2]));
        fwrite($streams[0], $input);
        rewind($streams[0]);
        $code = Command::run($arguments, ...$streams);
        rewind($streams[1]);
        rewind($streams[2]);

        return [
            $code,
            json_decode((string) stream_get_contents($streams[1]), true),
            (string) stream_get_contents($streams[2]),
        ];
    }

    /** @return array<string, mixed> */
    public static function example(string $name): array
    {
        $found = json_decode((string) file_get_contents(__DIR__ . "/examples/$name.json"), true);
        assert(is_array($found));

        /** @var array<string, mixed> $found */
        return $found;
    }

    public static function catalogue(): Catalogue
    {
        static $catalogue = null;

        return $catalogue instanceof Catalogue
            ? $catalogue
            : ($catalogue = CatalogueFolder::read(CatalogueFolder::own()));
    }

    /** A case of the four-stage knee programme, played by a simulated athlete up to {@see NOW}. */
    public static function played(
        int $seed,
        int $days,
        string $stage = 'holds',
        ?Temper $temper = null,
    ): SimulatedHistory {
        $now = Moment::fromIso(self::NOW);
        $zone = Zone::named('Europe/Lisbon');
        $programme = self::catalogue()->programme('knee_four_stage');
        $file = new CaseFile(
            $zone,
            new Athlete('Nadia Flint', 64, Goal::Jumping),
            new Details(Structure::PatellarTendon, Side::Left, $zone->dayOf($now)->plus(-$days)),
            self::catalogue()->school($programme->rule)->rule,
            $programme->plan->caseStages(),
            [],
        );

        return CaseSimulator::play(
            $file,
            $programme->plan,
            new Story($temper ?? new Temper(), $days, $stage, Weekday::cases()),
            self::catalogue(),
            new Randomizer(new Mt19937($seed)),
            $now,
        );
    }
}
