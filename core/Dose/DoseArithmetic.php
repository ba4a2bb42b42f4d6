<?php

declare(strict_types=1);

namespace Rung\Core\Dose;

use Rung\Core\Input\Json;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Number;

/** The sums of a dose and of a session (docs/rules.md, "Dose arithmetic"). */
final class DoseArithmetic
{
    /** Seconds between two neighbouring exercises. */
    public const CHANGE_OVER_S = 60;

    public const MIN_BODY_MASS_KG = 20;

    public const MAX_BODY_MASS_KG = 300;

    /**
     * @throws \InvalidArgumentException where a part of the body is lifted and its mass is unknown
     */
    public static function figures(Mode $mode, Limbs $limbs, Dose $dose, int|float|null $bodyMassKg): DoseFigures
    {
        $set = match (true) {
            $mode === Mode::Isometric && $dose->hold_s !== null => $dose->reps * $dose->hold_s,
            $dose->tempo !== null => $dose->reps * $dose->tempo->repSeconds(),
            default => $dose->isTimed() ? $dose->work_s : null,
        };
        $turns = $limbs->turns() * $dose->sets;

        return new DoseFigures(
            set_s: $set,
            time_under_tension_s: $set === null ? null : $dose->sets * $set,
            duration_s: $turns * ($set ?? 0) + ($turns - 1) * $dose->rest_s,
            volume_load_kg: $mode->isMoving()
                ? $dose->sets * $dose->reps * (($dose->load_kg ?? 0) + $dose->bodyLoad($bodyMassKg))
                : null,
            contacts: $mode === Mode::Plyometric ? $dose->sets * $dose->reps * ($dose->contacts_per_rep ?? 1) : null,
        );
    }

    /**
     * The sums of several exercises done one after the other.
     *
     * @param list<DoseFigures> $figures
     *
     * @return array{duration_s: int|float, time_under_tension_s: int|float, volume_load_kg: int|float, contacts: int|float}
     */
    public static function session(array $figures): array
    {
        return array_map(Number::tenth(...), [
            'duration_s' =>
                array_sum(array_column($figures, 'duration_s')) + self::CHANGE_OVER_S * max(0, count($figures) - 1),
            'time_under_tension_s' => array_sum(array_column($figures, 'time_under_tension_s')),
            'volume_load_kg' => array_sum(array_column($figures, 'volume_load_kg')),
            'contacts' => array_sum(array_column($figures, 'contacts')),
        ]);
    }

    /**
     * Answers a dose request (docs/formats/case-file.md, "Dose").
     *
     * @return array<string, mixed>
     *
     * @throws \Rung\Core\Input\InvalidInput
     */
    public static function answer(string $json): array
    {
        /** @var array{list<Prescription>, int|float|null} $request */
        $request = Json::read($json, static function (ObjectNode $node): array {
            $bodyMass = $node->numberOrNull('body_mass_kg', self::MIN_BODY_MASS_KG, self::MAX_BODY_MASS_KG);
            $prescriptions = $node->each('prescriptions', Prescription::read(...));
            $node->unique('prescriptions', 'key', array_column($prescriptions, 'key'));
            foreach ($prescriptions as $prescription) {
                if (
                    max($prescription->dose->body_fraction ?? 0, $prescription->before->dose->body_fraction ?? 0) > 0 &&
                    !$node->has('body_mass_kg')
                ) {
                    $node->fault('body_mass_kg', 'is needed, since a dose lifts a part of the body (body_fraction)');
                }
            }

            return [$prescriptions, $bodyMass];
        });
        [$prescriptions, $bodyMass] = $request;
        $figures = array_map(
            static fn(Prescription $p): DoseFigures => self::figures($p->mode, $p->limbs, $p->dose, $bodyMass),
            $prescriptions,
        );
        $most = array_map(
            static fn(Prescription $p): DoseFigures => self::figures($p->mode, $p->limbs, $p->dose->most(), $bodyMass),
            $prescriptions,
        );

        return [
            'prescriptions' => array_map(
                static fn(Prescription $p, DoseFigures $f, DoseFigures $m): array => ['key' => $p->key] +
                    $f->toArray() + ['most' => $m->toArray()],
                $prescriptions,
                $figures,
                $most,
            ),
            'session' => self::session($figures) + ['most' => self::session($most)],
        ];
    }
}
