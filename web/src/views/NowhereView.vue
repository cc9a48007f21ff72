<template>
  <main id="main" class="page">
    <h1>Nothing at this address</h1>
    <p>Check the address, or <RouterLink to="/">go to the shelf</RouterLink>.</p>
  </main>
</template>
