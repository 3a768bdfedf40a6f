<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Exception\StaleElementReferenceException;
use Facebook\WebDriver\Remote\RemoteExecuteMethod;
use Facebook\WebDriver\Remote\RemoteWebElement;

/**
 * An element of the page that is found anew where the screen was drawn again between finding it and doing something
 * with it: nobody who looks at the page notices that.
 */
final class FoundElement extends RemoteWebElement
{
    private const TRIES = 5;

    /**
     * @param  string  $id
     * @param  bool  $isW3cCompliant
     * @param  (\Closure(): RemoteWebElement)|null  $again  finds it; null for what was found within another
     */
    public function __construct(
        RemoteExecuteMethod $executor,
        $id,
        $isW3cCompliant = false,
        private readonly ?\Closure $again = null,
    ) {
        parent::__construct($executor, $id, $isW3cCompliant);
    }

    /** @return $this */
    public function click()
    {
        $this->patiently(fn (): RemoteWebElement => parent::click());

        return $this;
    }

    /**
     * @param  mixed  $value  keys
     * @return $this
     */
    public function sendKeys($value)
    {
        $this->patiently(fn (): RemoteWebElement => parent::sendKeys($value));

        return $this;
    }

    /** @param  \Closure(): mixed  $do */
    private function patiently(\Closure $do): void
    {
        for ($try = 1; ; $try++) {
            try {
                $do();

                return;
            } catch (StaleElementReferenceException $gone) {
                if ($try === self::TRIES || $this->again === null) {
                    throw $gone;
                }
                $this->id = ($this->again)()->getID();
            }
        }
    }
}
