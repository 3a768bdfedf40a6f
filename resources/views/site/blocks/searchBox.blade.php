<form class="search-box" action="/search" role="search">
    <input type="search" name="q" aria-label="Words to look for" placeholder="Search" maxlength="200">
    <button type="submit">Search</button>
</form>
