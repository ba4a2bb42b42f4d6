<?php

return (new PhpCsFixer\Config())
    ->setRiskyAllowed(true)
    ->setUnsupportedPhpVersionAllowed(true)
    ->setRules([
        '@PER-CS' => true,
        'declare_strict_types' => false,
        'no_unused_imports' => true,
        'ordered_imports' => true,
        'single_quote' => true,
        'strict_comparison' => false,
        'trailing_comma_in_multiline' => ['elements' => ['arguments', 'arrays', 'match', 'parameters']],
        'phpdoc_trim' => true,
        'new_with_parentheses' => true,
    ])
    ->setFinder(
        PhpCsFixer\Finder::create()
            ->in([__DIR__ . '/app', __DIR__ . '/core', __DIR__ . '/database', __DIR__ . '/routes', __DIR__ . '/support', __DIR__ . '/tests'])
            ->notPath('browser'),
    );
