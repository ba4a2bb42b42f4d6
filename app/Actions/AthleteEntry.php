<?php

declare(strict_types=1);

namespace App\Actions;

use Rung\Core\CaseFile\Athlete;
use Rung\Core\Dose\DoseArithmetic;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Screening\Growth;
use Rung\Core\Time\Day;

/** The athlete of a new case: one of the practice's, by id, or somebody new. */
final readonly class AthleteEntry
{
    private const LONGEST = 120;

    /** Years that anybody may have lived. */
    private const OLDEST = 120;

    private function __construct(
        public ?string $id,
        public string $name,
        public ?string $act,
        public int|float|null $bodyMassKg,
        public ?Day $bornOn,
        public string $email,
    ) {}

    public static function read(ObjectNode $node, Day $today): self
    {
        $id = $node->textOrNull('id');
        $name = $id === null ? $node->key('name') : $node->textOrNull('name') ?? '';
        $act = $node->textOrNull('act');
        foreach (['name' => $name, 'act' => $act ?? ''] as $field => $text) {
            if (mb_strlen($text) > self::LONGEST) {
                $node->fault($field, 'must not be longer than ' . self::LONGEST . ' letters');
            }
        }
        $mass =
            $id === null
                ? $node->number('body_mass_kg', DoseArithmetic::MIN_BODY_MASS_KG, DoseArithmetic::MAX_BODY_MASS_KG)
                : $node->numberOrNull(
                    'body_mass_kg',
                    DoseArithmetic::MIN_BODY_MASS_KG,
                    DoseArithmetic::MAX_BODY_MASS_KG,
                );
        // Somebody without an address gets a name to sign in with.
        $email = trim($node->textOrNull('email') ?? '');
        if ($id === null && $email !== '' && filter_var($email, FILTER_VALIDATE_EMAIL) === false) {
            $node->fault(
                'email',
                'must be an e-mail address, since the athlete signs in with it; leave it empty where there is none',
            );
        }

        return new self($id, $name, $act, $mass, self::bornOn($node, $today), $email);
    }

    /**
     * Somebody new, as a case file describes them.
     *
     * @throws InvalidInput
     */
    public static function fromFile(Athlete $athlete): self
    {
        if (mb_strlen($athlete->name) > self::LONGEST) {
            throw InvalidInput::at('/athlete/name', 'must not be longer than ' . self::LONGEST . ' letters');
        }

        return new self(null, $athlete->name, null, $athlete->body_mass_kg, null, '');
    }

    /** Of the field born_on: a day on which somebody who is alive can have been born. */
    public static function bornOn(ObjectNode $node, Day $today): ?Day
    {
        $born = $node->dayOrNull('born_on');
        if ($born !== null && ($born->isAfter($today) || Growth::ageOn($born, $today) > self::OLDEST)) {
            $node->fault('born_on', 'must lie in the last ' . self::OLDEST . ' years; look at the year');
        }

        return $born;
    }
}
