<template><NuxtPage/></template>
