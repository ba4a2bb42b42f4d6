<?php

// How lines are laid out is Prettier's (.prettierrc.json); here stands what it leaves alone.
return (new PhpCsFixer\Config())
    ->setRiskyAllowed(true)
    ->setUnsupportedPhpVersionAllowed(true)
    ->setRules([
        'no_unused_imports' => true,
        'ordered_imports' => true,
        'phpdoc_trim' => true,
        'no_empty_statement' => true,
        'no_useless_return' => true,
        'modifier_keywords' => true,
        'full_opening_tag' => true,
    ])
    ->setFinder(
        PhpCsFixer\Finder::create()
            ->in([
                __DIR__ . '/app',
                __DIR__ . '/core',
                __DIR__ . '/database',
                __DIR__ . '/routes',
                __DIR__ . '/support',
                __DIR__ . '/tests',
            ])
            ->notPath('browser'),
    );
