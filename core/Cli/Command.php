<?php

declare(strict_types=1);

namespace Rung\Core\Cli;

use InvalidArgumentException;
use Rung\Core\Calendar\ReplanRequest;
use Rung\Core\Calendar\ScheduleRequest;
use Rung\Core\CaseFile\CaseFile;
use Rung\Core\Catalogue\CatalogueFolder;
use Rung\Core\Dose\DoseArithmetic;
use Rung\Core\Evaluation\EvaluationRequest;
use Rung\Core\HealthRecord\BundleReader;
use Rung\Core\HealthRecord\BundleWriter;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Input\Json;
use Rung\Core\Simulation\Play;
use Rung\Core\Start\StartAdvisor;
use Rung\Core\Strength\StrengthRequest;
use Rung\Core\Time\Moment;

/** bin/rung: the core on the command line (docs/formats/case-file.md, "Commands"). */
final class Command
{
    public const BAD_INPUT = 2;

    public const WRONG_CALL = 64;

    private const USAGE = <<<'TEXT'
    usage: bin/rung evaluate FILE [--at=MOMENT]
           bin/rung dose|strength|schedule|replan|start|play|validate|fhir|from-fhir FILE

    FILE is a path, or - for standard input. The answer is JSON on standard output.
    Exit 0: answered. 2: bad input, with its faults as JSON on standard error. 64: wrong call.

    TEXT;

    /**
     * @param list<string> $arguments without the command's own name
     * @param resource $in
     * @param resource $out
     * @param resource $error
     */
    public static function run(array $arguments, $in, $out, $error): int
    {
        try {
            [$command, $file, $at] = self::parse($arguments);
            $text = self::contents($file, $in);
        } catch (InvalidArgumentException $wrong) {
            fwrite($error, 'rung: ' . $wrong->getMessage() . "\n" . self::USAGE);

            return self::WRONG_CALL;
        }
        try {
            $answer = match ($command) {
                'evaluate' => EvaluationRequest::answer($text, $at),
                'dose' => DoseArithmetic::answer($text),
                'strength' => StrengthRequest::answer($text),
                'schedule' => ScheduleRequest::answer($text),
                'replan' => ReplanRequest::answer($text),
                'start' => StartAdvisor::answer($text),
                'play' => Play::answer($text, CatalogueFolder::read(CatalogueFolder::own())),
                'validate' => self::validate($text),
                'fhir' => BundleWriter::write(CaseFile::fromJson($text), CatalogueFolder::read(CatalogueFolder::own())),
                'from-fhir' => BundleReader::read($text)->toArray(),
            };
        } catch (InvalidInput $bad) {
            fwrite($error, self::encode(['errors' => $bad->toArray()]));

            return self::BAD_INPUT;
        }
        fwrite($out, self::encode($answer));

        return 0;
    }

    /**
     * @param list<string> $arguments
     *
     * @return array{'evaluate'|'dose'|'strength'|'schedule'|'replan'|'start'|'play'|'validate'|'fhir'|'from-fhir', string, Moment|null}
     *
     * @throws InvalidArgumentException
     */
    private static function parse(array $arguments): array
    {
        $plain = [];
        $at = null;
        foreach ($arguments as $argument) {
            if (str_starts_with($argument, '--at=')) {
                try {
                    $at = Moment::fromIso(substr($argument, 5));
                } catch (InvalidArgumentException $problem) {
                    throw new InvalidArgumentException('--at ' . $problem->getMessage());
                }
            } elseif ($argument !== '-' && str_starts_with($argument, '-')) {
                throw new InvalidArgumentException("$argument is not an option");
            } else {
                $plain[] = $argument;
            }
        }
        $command = $plain[0] ?? '';
        if (
            !in_array(
                $command,
                [
                    'evaluate',
                    'dose',
                    'strength',
                    'schedule',
                    'replan',
                    'start',
                    'play',
                    'validate',
                    'fhir',
                    'from-fhir',
                ],
                true,
            )
        ) {
            throw new InvalidArgumentException($command === '' ? 'say what to do' : "$command is not a command");
        }
        if (count($plain) !== 2) {
            throw new InvalidArgumentException('name one file');
        }
        if ($at !== null && $command !== 'evaluate') {
            throw new InvalidArgumentException('--at goes with evaluate alone');
        }

        return [$command, $plain[1], $at];
    }

    /**
     * Reads one byte more than the bound at most, so that a larger file is refused and not swallowed.
     *
     * @param resource $in
     */
    private static function contents(string $file, $in): string
    {
        if ($file === '-') {
            return (string) stream_get_contents($in, Json::MAX_BYTES + 1);
        }
        if (!is_file($file) || !is_readable($file)) {
            throw new InvalidArgumentException("$file cannot be read");
        }

        return (string) file_get_contents($file, false, null, 0, Json::MAX_BYTES + 1);
    }

    /** @return array{valid: true} */
    private static function validate(string $text): array
    {
        CaseFile::fromJson($text);

        return ['valid' => true];
    }

    /** @param array<string, mixed> $answer */
    private static function encode(array $answer): string
    {
        return json_encode(
            $answer,
            JSON_PRETTY_PRINT |
                JSON_UNESCAPED_SLASHES |
                JSON_UNESCAPED_UNICODE |
                JSON_INVALID_UTF8_SUBSTITUTE |
                JSON_THROW_ON_ERROR,
        ) . "\n";
    }
}
