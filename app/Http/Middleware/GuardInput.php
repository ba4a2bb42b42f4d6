<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\Requests\CoreFaults;
use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use JsonException;
use Rung\Core\Input\Fault;
use Rung\Core\Input\InvalidInput;
use stdClass;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/**
 * The first look at what comes in, before anything reads it: the size of a body, how much it holds, and that every text
 * and number is one that can be kept.
 */
final class GuardInput
{
    /** The body as it was read, for those who look next. */
    public const BODY = 'rung.body';

    private const DEPTH = 32;

    private const LONGEST_TEXT = 100_000;

    private const LONGEST_NAME = 200;

    private const LONGEST_QUERY = 1000;

    /** By the beginning of the path: bytes, and objects and lists that a body may hold. */
    private const BODIES = [
        'api/session' => [4096, 20],
        'api/join' => [4096, 20],
        'api/library/' => [8 * 1024 * 1024, 150_000],
        'api/import' => [16 * 1024 * 1024, 400_000],
        'api/' => [1024 * 1024, 20_000],
    ];

    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        if (!self::isPlain(rawurldecode($request->path()))) {
            throw new NotFoundHttpException();
        }
        $faults = self::inQuery($request);
        if (self::isApi($request)) {
            $tooLarge = self::checkSize($request, $faults);
            if ($tooLarge !== null) {
                return $tooLarge;
            }
            if ($request->getContent() !== '' && $faults === []) {
                $faults = self::readBody($request);
            }
        }
        if ($faults !== []) {
            throw CoreFaults::asValidation(new InvalidInput($faults));
        }

        return $next($request);
    }

    private static function isApi(Request $request): bool
    {
        return str_starts_with($request->path(), 'api/');
    }

    /** @return list<Fault> */
    private static function inQuery(Request $request): array
    {
        $faults = [];
        foreach ($request->query->all() as $name => $value) {
            if (!self::isPlain((string) $name)) {
                $faults[] = new Fault('', 'must not hold invisible or broken letters in the address; remove them');
            } elseif (!is_string($value) && $value !== null) {
                $faults[] = new Fault("/$name", 'must be given once, as text');
            } elseif ($value !== null && (!self::isPlain($value) || strlen($value) > self::LONGEST_QUERY)) {
                $faults[] = new Fault("/$name", 'must be readable text of at most ' . self::LONGEST_QUERY . ' letters');
            }
        }

        return $faults;
    }

    /** @param list<Fault> $faults is added to where the body holds too much */
    private static function checkSize(Request $request, array &$faults): ?JsonResponse
    {
        foreach (self::BODIES as $begin => [$bytes, $parts]) {
            if (!str_starts_with($request->path(), $begin)) {
                continue;
            }
            $body = $request->getContent();
            if (strlen($body) > $bytes) {
                return new JsonResponse(
                    [
                        'message' =>
                            'This is larger than Rung takes here. Shorten the longest text, or send less at a time.',
                    ],
                    413,
                );
            }
            if (substr_count($body, '{') + substr_count($body, '[') > $parts) {
                $faults[] = new Fault('', "must not hold more than $parts objects and lists; send less at a time");
            }
            break;
        }

        return null;
    }

    /** @return list<Fault> */
    private static function readBody(Request $request): array
    {
        try {
            $body = json_decode($request->getContent(), false, self::DEPTH, JSON_THROW_ON_ERROR);
        } catch (JsonException) {
            return [new Fault('', 'must be JSON in UTF-8, ' . self::DEPTH . ' levels deep at most')];
        }
        if (is_array($body) && $body !== []) {
            return [new Fault('', 'must be a JSON object')];
        }
        $request->attributes->set(self::BODY, $body);

        return self::inside($body, '');
    }

    /** @return list<Fault> what no field may hold, wherever it stands */
    private static function inside(mixed $value, string $path): array
    {
        if (is_string($value)) {
            return self::isPlain($value, true) && strlen($value) <= self::LONGEST_TEXT
                ? []
                : [
                    new Fault(
                        $path,
                        'must be readable text; remove invisible letters, and shorten it if it is very long',
                    ),
                ];
        }
        if (is_float($value)) {
            return is_finite($value) ? [] : [new Fault($path, 'must be a number that can be written out')];
        }
        $faults = [];
        foreach (
            $value instanceof stdClass ? get_object_vars($value) : (is_array($value) ? $value : [])
            as $name => $part
        ) {
            if (is_string($name) && (strlen($name) > self::LONGEST_NAME || !self::isPlain($name))) {
                $faults[] = new Fault($path, 'must not have a field with such a name; remove it');
                continue;
            }
            array_push(
                $faults,
                ...self::inside($part, $path . '/' . strtr((string) $name, ['~' => '~0', '/' => '~1'])),
            );
        }

        return $faults;
    }

    /** Whether a text is UTF-8 without control characters; line breaks and tabs may stand in longer texts. */
    private static function isPlain(string $text, bool $lines = false): bool
    {
        return preg_match($lines ? '/^[^\x00-\x08\x0b\x0c\x0e-\x1f\x7f]*$/uD' : '/^[^\x00-\x1f\x7f]*$/uD', $text) === 1;
    }
}
