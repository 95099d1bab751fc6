const { configure } = require('@testing-library/react-native');

// What is fetched when first needed is transformed then: beside other work that takes longer than the default second.
configure({ asyncUtilTimeout: 20_000 });
