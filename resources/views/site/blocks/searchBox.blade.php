<form class="search-box" action="/search" role="search">
    <input type="search" name="q" aria-label="@plain('search.words')"
        placeholder="@plain('search.title')" maxlength="200">
    <button type="submit">@say('search.title')</button>
</form>
