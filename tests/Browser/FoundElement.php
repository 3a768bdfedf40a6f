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

    /** @param  \Closure(): RemoteWebElement  $again  finds it */
    public function __construct(RemoteExecuteMethod $executor, string $id, private readonly \Closure $again)
    {
        parent::__construct($executor, $id, true);
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

    /** What stands in it is found within it, not anew. */
    protected function newElement($id): RemoteWebElement
    {
        return new RemoteWebElement($this->executor, $id, $this->isW3cCompliant);
    }

    /** @param  \Closure(): mixed  $do */
    private function patiently(\Closure $do): void
    {
        for ($try = 1; ; $try++) {
            try {
                $do();

                return;
            } catch (StaleElementReferenceException $gone) {
                if ($try === self::TRIES) {
                    throw $gone;
                }
                $this->id = ($this->again)()->getID();
            }
        }
    }
}
