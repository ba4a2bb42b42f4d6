<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Validation\ValidationException;
use Rung\Core\Input\Fault;
use Rung\Core\Input\InvalidInput;

/** Faults that the core's readers found, as Laravel knows them: each at its field of the form, as a whole sentence. */
final class CoreFaults
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

    public static function asValidation(InvalidInput $bad): ValidationException
    {
        $messages = [];
        foreach ($bad->faults as $fault) {
            $messages[strtr(ltrim($fault->path, '/'), '/', '.')][] = self::sentence($fault);
        }

        return ValidationException::withMessages($messages);
    }

    /**
     * For what a page was asked for in its address; of what is sent, the handler of exceptions makes the same.
     *
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
            throw self::asValidation($bad);
        }
    }

    private static function sentence(Fault $fault): string
    {
        $steps = explode('/', $fault->path);
        $field = $steps[count($steps) - 1];
        // A place in a list has no name of its own.
        $label = self::LABELS[$field] ?? (ctype_digit($field) ? 'This' : ucfirst(strtr($field, '_', ' ')));

        return trim("$label $fault->message") . '.';
    }
}
