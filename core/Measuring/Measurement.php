<?php

declare(strict_types=1);

namespace Rung\Core\Measuring;

use Rung\Core\Catalogue\Measure;
use Rung\Core\Catalogue\MeasureKind;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Strength\CurveAsk;
use Rung\Core\Strength\TestSense;
use Rung\Core\Strength\Tries;
use Rung\Core\Time\Day;

/** All tries of a measure on one day (docs/rules.md, "Measures"). */
final readonly class Measurement
{
    private const MOST_TRIES = 12;

    private const LONGEST_ANGLE = 60;

    /**
     * @param list<Attempt> $affected tries of the sore side, or of both together
     * @param list<Attempt> $unaffected tries of the other side; empty where both together give one value
     */
    private function __construct(
        public Measure $measure,
        public Day $on,
        public array $affected,
        public array $unaffected,
        /** Metres from the joint to the gauge. */
        public int|float|null $leverM,
        /** The angle in which it was measured, where it is not the usual one. */
        public ?string $jointAngle,
    ) {}

    /** @param callable(string): ?Measure $find a measure by its key */
    public static function read(ObjectNode $node, callable $find): self
    {
        $key = $node->key('measure');
        $measure = $find($key);
        if ($measure === null) {
            if ($key !== '') {
                $node->fault('measure', 'must be a measure of the library');
            }
            $measure = Measure::unknown($key);
        }
        $read = static fn(ObjectNode $item): Attempt => Attempt::read($item, $measure);
        $affected = $node->each('affected', $read);
        $unaffected = $node->eachOrEmpty('unaffected', $read);
        foreach (['affected' => $affected, 'unaffected' => $unaffected] as $side => $tries) {
            if (count($tries) > self::MOST_TRIES) {
                $node->fault($side, 'must hold at most ' . self::MOST_TRIES . ' tries');
            }
        }
        if (!$measure->eachSide && $unaffected !== []) {
            $node->fault('unaffected', 'must be left out: both sides together give one value');
        }
        $lever = $node->numberOrNull('lever_m', 0, CurveAsk::LONGEST_LEVER_M);
        if ($lever !== null && $lever <= 0) {
            $node->fault('lever_m', 'must be over 0: the metres from the joint to the gauge, or leave it empty');
        }
        if ($lever !== null && $measure->kind !== MeasureKind::Force) {
            $node->fault('lever_m', 'belongs to a force alone; leave it empty');
        }
        $angle = trim($node->textOrNull('joint_angle') ?? '');
        if (mb_strlen($angle) > self::LONGEST_ANGLE) {
            $node->fault('joint_angle', 'must be at most ' . self::LONGEST_ANGLE . ' letters');
        }

        return new self(
            $measure,
            $node->day('on'),
            $affected,
            $unaffected,
            $lever === 0 ? null : $lever,
            $angle === '' ? null : $angle,
        );
    }

    /**
     * With what was looked up of the curves.
     *
     * @param callable(Attempt): Attempt $affected
     * @param callable(Attempt): Attempt $unaffected
     */
    public function withCurves(callable $affected, callable $unaffected): self
    {
        return new self(
            $this->measure,
            $this->on,
            array_map($affected, $this->affected),
            array_map($unaffected, $this->unaffected),
            $this->leverM,
            $this->jointAngle,
        );
    }

    /** The tries of the sore side, or of both together, that count; null where none does. */
    public function ofAffected(): ?Tries
    {
        return $this->judged($this->affected);
    }

    public function ofUnaffected(): ?Tries
    {
        return $this->judged($this->unaffected);
    }

    /**
     * What stands in the way of storing it, by field; empty where nothing does.
     *
     * @return array<string, string>
     */
    public function faults(): array
    {
        [$affected, $unaffected] = [$this->ofAffected(), $this->ofUnaffected()];
        if ($affected === null) {
            return ['affected' => 'must hold a try that counts'];
        }
        if (!$this->measure->eachSide) {
            return [];
        }
        if ($unaffected === null) {
            return [
                'unaffected' => 'must hold a try that counts: both sides are measured, so that they can be compared',
            ];
        }
        if ($unaffected->best <= 0) {
            return ['unaffected' => 'must be over 0: the sore side is compared with it'];
        }
        $fault = TestSense::fault($affected->best, $unaffected->best);

        return $fault === null ? [] : ['affected' => $fault];
    }

    /** @return array<string, mixed> what is kept beside the value that counts */
    public function details(): array
    {
        return array_filter(
            [
                'affected' => array_map(static fn(Attempt $attempt): array => $attempt->toArray(), $this->affected),
                'unaffected' =>
                    $this->unaffected === []
                        ? null
                        : array_map(static fn(Attempt $attempt): array => $attempt->toArray(), $this->unaffected),
                'lever_m' => $this->leverM,
                'joint_angle' => $this->jointAngle,
            ],
            static fn(mixed $value): bool => $value !== null,
        );
    }

    /** @param list<Attempt> $tries */
    private function judged(array $tries): ?Tries
    {
        $values = [];
        foreach ($tries as $try) {
            if (!$try->struck && $try->value !== null) {
                $values[] = $try->value;
            }
        }

        return $values === [] ? null : Tries::judge($values, $this->measure->tries, $this->measure->higherIsBetter);
    }
}
