<?php

declare(strict_types=1);

namespace Rung\Core\Catalogue;

use Rung\Core\Exercise\Region;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Record\Irritability;
use Rung\Core\Record\Structure;

/** What is known of a structure: what to avoid, what to relieve, how it is tested. */
final readonly class StructureInfo
{
    /**
     * @param list<Avoid> $avoid while irritable
     * @param list<string> $alsoCalled what people type who look for it: common and anatomical names
     * @param list<Differential> $differentials what else it could be
     * @param list<string> $loadRelief advice to choose from
     */
    private function __construct(
        public Structure $structure,
        public string $title,
        public Region $region,
        public bool $isMuscle,
        public array $avoid,
        public array $alsoCalled,
        public array $differentials,
        public array $loadRelief,
        private ProvocationTest $test,
        private ?ProvocationTest $testIfIrritable,
        /** Taken instead once the usual one has become easy; a choice of the practitioner. */
        public ?ProvocationTest $laterTest,
        /** The key of the measure of its strength. */
        public string $strengthTest,
        /** The key of the programme that is proposed first. */
        public string $usualProgramme,
    ) {}

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->choice('key', Structure::class),
            $node->key('title'),
            $node->choice('region', Region::class),
            $node->text('kind') === 'muscle',
            $node->eachOrEmpty('avoid', Avoid::read(...)),
            $node->textsOrNull('also_called') ?? [],
            $node->eachOrEmpty('differentials', Differential::read(...)),
            $node->textsOrNull('load_relief') ?? [],
            $node->child('provocation_test', ProvocationTest::read(...)),
            $node->childOrNull('test_if_irritable', ProvocationTest::read(...)),
            $node->childOrNull('later_test', ProvocationTest::read(...)),
            $node->key('strength_test'),
            $node->key('usual_programme'),
        );
    }

    /** All that people may call it. */
    public function names(): string
    {
        return implode(' ', [$this->title, $this->structure->value, $this->region->value, ...$this->alsoCalled]);
    }

    /** Its title inside a sentence. */
    public function name(): string
    {
        return str_starts_with($this->title, 'Achilles') ? $this->title : lcfirst($this->title);
    }

    /** The test to fix for a case: a gentler one where the structure has one and is highly irritable. */
    public function testFor(Irritability $irritability): ProvocationTest
    {
        return $irritability === Irritability::High ? $this->testIfIrritable ?? $this->test : $this->test;
    }

    public function usualTest(): ProvocationTest
    {
        return $this->test;
    }
}
