<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Input\Json;
use Rung\Core\Input\ObjectNode;

/**
 * Reads a request's body into a core value with the core's own reader, so that the bounds of a
 * field are written down once. Faults come back at the fields of the form.
 */
final class ReadsCore
{
    private const LABELS = [
        'at' => 'The date',
        'started_at' => 'The start',
        'ended_at' => 'The end',
        'provocation' => 'The test score',
        'stiffness_min' => 'Stiffness',
        'settle_min' => 'Time to settle',
        'settled_min' => 'Time to settle',
        'rest' => 'Pain at rest',
        'test' => 'The test score',
        'body_mass_kg' => 'Body mass',
        'born_on' => 'The date of birth',
        'growth_checked' => 'The growing joint',
        'screened' => 'Screening',
        'referral_signs' => 'A referral sign',
        'hold_s' => 'The hold',
        'load_kg' => 'The load',
        'rest_s' => 'The rest',
        'kind' => 'This',
        'confirmed' => 'An answer',
    ];

    /**
     * @template T
     *
     * @param callable(ObjectNode): T $read
     * @param array<string, mixed> $more fields that the server adds
     *
     * @return T
     *
     * @throws ValidationException with every fault at its field
     */
    public static function from(Request $request, callable $read, array $more = []): mixed
    {
        $body = $request->getContent();

        return self::refusing(static function () use ($body, $read, $more): mixed {
            if ($more !== []) {
                $fields = json_decode($body, false, 32);
                $body = json_encode(
                    (object) ($more + (is_object($fields) ? get_object_vars($fields) : [])),
                    JSON_THROW_ON_ERROR,
                );
            }

            return Json::read($body, $read);
        });
    }

    /**
     * @template T
     *
     * @param callable(): T $work
     *
     * @return T
     *
     * @throws ValidationException
     */
    public static function refusing(callable $work): mixed
    {
        try {
            return $work();
        } catch (InvalidInput $bad) {
            $messages = [];
            foreach ($bad->faults as $fault) {
                $steps = explode('/', ltrim($fault->path, '/'));
                $field = $steps[count($steps) - 1];
                // A place in a list has no name of its own.
                $label = self::LABELS[$field] ?? (ctype_digit($field) ? 'This' : ucfirst(strtr($field, '_', ' ')));
                $messages[implode('.', $steps)][] = trim("$label $fault->message") . '.';
            }

            throw ValidationException::withMessages($messages);
        }
    }
}
