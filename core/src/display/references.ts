interface Reference {
  /** As a text cites it. */
  readonly cite: string;
  /** As a list of references has it. */
  readonly full: string;
}

/** The published sources of what is computed, once for documents, help and reports. */
export const REFERENCES = {
  'aldor-noiman-2013': {
    cite: 'Aldor-Noiman et al. (2013)',
    full: 'Aldor-Noiman, S., Brown, L. D., Buja, A., Rolke, W., & Stine, R. A. (2013). The power to see: A new graphical test of normality. The American Statistician, 67, 249–260.',
  },
  'anderson-darling-1954': {
    cite: 'Anderson & Darling (1954)',
    full: 'Anderson, T. W., & Darling, D. A. (1954). A test of goodness of fit. Journal of the American Statistical Association, 49, 765–769.',
  },
  'bakdash-marusich-2017': {
    cite: 'Bakdash & Marusich (2017)',
    full: 'Bakdash, J. Z., & Marusich, L. R. (2017). Repeated measures correlation. Frontiers in Psychology, 8, 456.',
  },
  'belsley-kuh-welsch-1980': {
    cite: 'Belsley, Kuh & Welsch (1980)',
    full: 'Belsley, D. A., Kuh, E., & Welsch, R. E. (1980). Regression diagnostics: Identifying influential data and sources of collinearity. Wiley.',
  },
  'benjamini-hochberg-1995': {
    cite: 'Benjamini & Hochberg (1995)',
    full: 'Benjamini, Y., & Hochberg, Y. (1995). Controlling the false discovery rate: A practical and powerful approach to multiple testing. Journal of the Royal Statistical Society, Series B, 57, 289–300.',
  },
  'benjamini-yekutieli-2001': {
    cite: 'Benjamini & Yekutieli (2001)',
    full: 'Benjamini, Y., & Yekutieli, D. (2001). The control of the false discovery rate in multiple testing under dependency. The Annals of Statistics, 29, 1165–1188.',
  },
  'bland-altman-1995': {
    cite: 'Bland & Altman (1995)',
    full: 'Bland, J. M., & Altman, D. G. (1995). Calculating correlation coefficients with repeated observations: Part 1, correlation within subjects. BMJ, 310, 446.',
  },
  'blom-1958': { cite: 'Blom (1958)', full: 'Blom, G. (1958). Statistical estimates and transformed beta-variables. Wiley.' },
  'bonett-wright-2000': {
    cite: 'Bonett & Wright (2000)',
    full: 'Bonett, D. G., & Wright, T. A. (2000). Sample size requirements for estimating Pearson, Kendall and Spearman correlations. Psychometrika, 65, 23–28.',
  },
  'box-cox-1964': {
    cite: 'Box & Cox (1964)',
    full: 'Box, G. E. P., & Cox, D. R. (1964). An analysis of transformations. Journal of the Royal Statistical Society, Series B, 26, 211–252.',
  },
  'breusch-pagan-1979': {
    cite: 'Breusch & Pagan (1979)',
    full: 'Breusch, T. S., & Pagan, A. R. (1979). A simple test for heteroscedasticity and random coefficient variation. Econometrica, 47, 1287–1294.',
  },
  'brown-benedetti-1977': {
    cite: 'Brown & Benedetti (1977)',
    full: 'Brown, M. B., & Benedetti, J. K. (1977). Sampling behavior of tests for correlation in two-way contingency tables. Journal of the American Statistical Association, 72, 309–315.',
  },
  'charles-2005': {
    cite: 'Charles (2005)',
    full: 'Charles, E. P. (2005). The correction for attenuation due to measurement error: Clarifying concepts and creating confidence sets. Psychological Methods, 10, 206–226.',
  },
  'chatterjee-2021': {
    cite: 'Chatterjee (2021)',
    full: 'Chatterjee, S. (2021). A new coefficient of correlation. Journal of the American Statistical Association, 116, 2009–2022.',
  },
  'cleveland-1979': {
    cite: 'Cleveland (1979)',
    full: 'Cleveland, W. S. (1979). Robust locally weighted regression and smoothing scatterplots. Journal of the American Statistical Association, 74, 829–836.',
  },
  'cohen-1988': {
    cite: 'Cohen (1988)',
    full: 'Cohen, J. (1988). Statistical power analysis for the behavioral sciences (2nd ed.). Erlbaum.',
  },
  'cohen-cohen-west-aiken-2003': {
    cite: 'Cohen, Cohen, West & Aiken (2003)',
    full: 'Cohen, J., Cohen, P., West, S. G., & Aiken, L. S. (2003). Applied multiple regression/correlation analysis for the behavioral sciences (3rd ed.). Erlbaum.',
  },
  'cook-1977': {
    cite: 'Cook (1977)',
    full: 'Cook, R. D. (1977). Detection of influential observation in linear regression. Technometrics, 19, 15–18.',
  },
  'cronbach-1951': {
    cite: 'Cronbach (1951)',
    full: 'Cronbach, L. J. (1951). Coefficient alpha and the internal structure of tests. Psychometrika, 16, 297–334.',
  },
  'dagostino-pearson-1973': {
    cite: 'D’Agostino & Pearson (1973)',
    full: 'D’Agostino, R. B., & Pearson, E. S. (1973). Tests for departure from normality: Empirical results for the distributions of b2 and √b1. Biometrika, 60, 613–622.',
  },
  'davison-hinkley-1997': {
    cite: 'Davison & Hinkley (1997)',
    full: 'Davison, A. C., & Hinkley, D. V. (1997). Bootstrap methods and their application. Cambridge University Press.',
  },
  'dempster-laird-rubin-1977': {
    cite: 'Dempster, Laird & Rubin (1977)',
    full: 'Dempster, A. P., Laird, N. M., & Rubin, D. B. (1977). Maximum likelihood from incomplete data via the EM algorithm. Journal of the Royal Statistical Society, Series B, 39, 1–38.',
  },
  'dersimonian-laird-1986': {
    cite: 'DerSimonian & Laird (1986)',
    full: 'DerSimonian, R., & Laird, N. (1986). Meta-analysis in clinical trials. Controlled Clinical Trials, 7, 177–188.',
  },
  'devlin-gnanadesikan-kettenring-1975': {
    cite: 'Devlin, Gnanadesikan & Kettenring (1975)',
    full: 'Devlin, S. J., Gnanadesikan, R., & Kettenring, J. R. (1975). Robust estimation and outlier detection with correlation coefficients. Biometrika, 62, 531–545.',
  },
  'diciccio-romano-2017': {
    cite: 'DiCiccio & Romano (2017)',
    full: 'DiCiccio, C. J., & Romano, J. P. (2017). Robust permutation tests for correlation and regression coefficients. Journal of the American Statistical Association, 112, 1211–1220.',
  },
  'doornik-hansen-2008': {
    cite: 'Doornik & Hansen (2008)',
    full: 'Doornik, J. A., & Hansen, H. (2008). An omnibus test for univariate and multivariate normality. Oxford Bulletin of Economics and Statistics, 70, 927–939.',
  },
  'draper-smith-1998': {
    cite: 'Draper & Smith (1998)',
    full: 'Draper, N. R., & Smith, H. (1998). Applied regression analysis (3rd ed.). Wiley.',
  },
  'dunn-1961': {
    cite: 'Dunn (1961)',
    full: 'Dunn, O. J. (1961). Multiple comparisons among means. Journal of the American Statistical Association, 56, 52–64.',
  },
  'dunn-clark-1969': {
    cite: 'Dunn & Clark (1969)',
    full: 'Dunn, O. J., & Clark, V. (1969). Correlation coefficients measured on the same individuals. Journal of the American Statistical Association, 64, 366–377.',
  },
  'efron-1979': {
    cite: 'Efron (1979)',
    full: 'Efron, B. (1979). Bootstrap methods: Another look at the jackknife. The Annals of Statistics, 7, 1–26.',
  },
  'efron-1987': {
    cite: 'Efron (1987)',
    full: 'Efron, B. (1987). Better bootstrap confidence intervals. Journal of the American Statistical Association, 82, 171–185.',
  },
  'evans-1996': { cite: 'Evans (1996)', full: 'Evans, J. D. (1996). Straightforward statistics for the behavioral sciences. Brooks/Cole.' },
  'fieller-hartley-pearson-1957': {
    cite: 'Fieller, Hartley & Pearson (1957)',
    full: 'Fieller, E. C., Hartley, H. O., & Pearson, E. S. (1957). Tests for rank correlation coefficients. I. Biometrika, 44, 470–481.',
  },
  'fisher-1915': {
    cite: 'Fisher (1915)',
    full: 'Fisher, R. A. (1915). Frequency distribution of the values of the correlation coefficient in samples from an indefinitely large population. Biometrika, 10, 507–521.',
  },
  'fisher-1921': {
    cite: 'Fisher (1921)',
    full: 'Fisher, R. A. (1921). On the “probable error” of a coefficient of correlation deduced from a small sample. Metron, 1, 3–32.',
  },
  'fox-monette-1992': {
    cite: 'Fox & Monette (1992)',
    full: 'Fox, J., & Monette, G. (1992). Generalized collinearity diagnostics. Journal of the American Statistical Association, 87, 178–183.',
  },
  'genz-2004': {
    cite: 'Genz (2004)',
    full: 'Genz, A. (2004). Numerical computation of rectangular bivariate and trivariate normal and t probabilities. Statistics and Computing, 14, 251–260.',
  },
  'hawkins-1989': {
    cite: 'Hawkins (1989)',
    full: 'Hawkins, D. L. (1989). Using U statistics to derive the asymptotic distribution of Fisher’s Z statistic. The American Statistician, 43, 235–237.',
  },
  'hedges-olkin-1985': {
    cite: 'Hedges & Olkin (1985)',
    full: 'Hedges, L. V., & Olkin, I. (1985). Statistical methods for meta-analysis. Academic Press.',
  },
  'henze-zirkler-1990': {
    cite: 'Henze & Zirkler (1990)',
    full: 'Henze, N., & Zirkler, B. (1990). A class of invariant consistent tests for multivariate normality. Communications in Statistics: Theory and Methods, 19, 3595–3617.',
  },
  'higham-2002': {
    cite: 'Higham (2002)',
    full: 'Higham, N. J. (2002). Computing the nearest correlation matrix: A problem from finance. IMA Journal of Numerical Analysis, 22, 329–343.',
  },
  'higgins-thompson-2002': {
    cite: 'Higgins & Thompson (2002)',
    full: 'Higgins, J. P. T., & Thompson, S. G. (2002). Quantifying heterogeneity in a meta-analysis. Statistics in Medicine, 21, 1539–1558.',
  },
  'hoaglin-welsch-1978': {
    cite: 'Hoaglin & Welsch (1978)',
    full: 'Hoaglin, D. C., & Welsch, R. E. (1978). The hat matrix in regression and ANOVA. The American Statistician, 32, 17–22.',
  },
  'hochberg-1988': {
    cite: 'Hochberg (1988)',
    full: 'Hochberg, Y. (1988). A sharper Bonferroni procedure for multiple tests of significance. Biometrika, 75, 800–802.',
  },
  'holm-1979': {
    cite: 'Holm (1979)',
    full: 'Holm, S. (1979). A simple sequentially rejective multiple test procedure. Scandinavian Journal of Statistics, 6, 65–70.',
  },
  'iglewicz-hoaglin-1993': {
    cite: 'Iglewicz & Hoaglin (1993)',
    full: 'Iglewicz, B., & Hoaglin, D. C. (1993). How to detect and handle outliers. ASQC Quality Press.',
  },
  'huo-szekely-2016': {
    cite: 'Huo & Székely (2016)',
    full: 'Huo, X., & Székely, G. J. (2016). Fast computing for distance covariance. Technometrics, 58, 435–447.',
  },
  'jarque-bera-1987': {
    cite: 'Jarque & Bera (1987)',
    full: 'Jarque, C. M., & Bera, A. K. (1987). A test for normality of observations and regression residuals. International Statistical Review, 55, 163–172.',
  },
  'jennrich-1970': {
    cite: 'Jennrich (1970)',
    full: 'Jennrich, R. I. (1970). An asymptotic χ² test for the equality of two correlation matrices. Journal of the American Statistical Association, 65, 904–912.',
  },
  'kendall-1938': { cite: 'Kendall (1938)', full: 'Kendall, M. G. (1938). A new measure of rank correlation. Biometrika, 30, 81–93.' },
  'kendall-1945': {
    cite: 'Kendall (1945)',
    full: 'Kendall, M. G. (1945). The treatment of ties in ranking problems. Biometrika, 33, 239–251.',
  },
  'kendall-1970': { cite: 'Kendall (1970)', full: 'Kendall, M. G. (1970). Rank correlation methods (4th ed.). Griffin.' },
  'knapp-hartung-2003': {
    cite: 'Knapp & Hartung (2003)',
    full: 'Knapp, G., & Hartung, J. (2003). Improved tests for a random effects meta-regression with a single covariate. Statistics in Medicine, 22, 2693–2710.',
  },
  'knight-1966': {
    cite: 'Knight (1966)',
    full: 'Knight, W. R. (1966). A computer method for calculating Kendall’s tau with ungrouped data. Journal of the American Statistical Association, 61, 436–439.',
  },
  'koenker-1981': {
    cite: 'Koenker (1981)',
    full: 'Koenker, R. (1981). A note on studentizing a test for heteroscedasticity. Journal of Econometrics, 17, 107–112.',
  },
  'lilliefors-1967': {
    cite: 'Lilliefors (1967)',
    full: 'Lilliefors, H. W. (1967). On the Kolmogorov–Smirnov test for normality with mean and variance unknown. Journal of the American Statistical Association, 62, 399–402.',
  },
  'lyles-williams-chuachoowong-2001': {
    cite: 'Lyles, Williams & Chuachoowong (2001)',
    full: 'Lyles, R. H., Williams, J. K., & Chuachoowong, R. (2001). Correlating two viral load assays with known detection limits. Biometrics, 57, 1238–1244.',
  },
  'mardia-1970': {
    cite: 'Mardia (1970)',
    full: 'Mardia, K. V. (1970). Measures of multivariate skewness and kurtosis with applications. Biometrika, 57, 519–530.',
  },
  'mardia-1974': {
    cite: 'Mardia (1974)',
    full: 'Mardia, K. V. (1974). Applications of some measures of multivariate skewness and kurtosis in testing normality and robustness studies. Sankhyā, Series B, 36, 115–128.',
  },
  'marquardt-1970': {
    cite: 'Marquardt (1970)',
    full: 'Marquardt, D. W. (1970). Generalized inverses, ridge regression, biased linear estimation, and nonlinear estimation. Technometrics, 12, 591–612.',
  },
  'meng-rosenthal-rubin-1992': {
    cite: 'Meng, Rosenthal & Rubin (1992)',
    full: 'Meng, X.-L., Rosenthal, R., & Rubin, D. B. (1992). Comparing correlated correlation coefficients. Psychological Bulletin, 111, 172–175.',
  },
  'olsson-1979': {
    cite: 'Olsson (1979)',
    full: 'Olsson, U. (1979). Maximum likelihood estimation of the polychoric correlation coefficient. Psychometrika, 44, 443–460.',
  },
  'olsson-drasgow-dorans-1982': {
    cite: 'Olsson, Drasgow & Dorans (1982)',
    full: 'Olsson, U., Drasgow, F., & Dorans, N. J. (1982). The polyserial correlation coefficient. Psychometrika, 47, 337–347.',
  },
  'pearson-1896': {
    cite: 'Pearson (1896)',
    full: 'Pearson, K. (1896). Mathematical contributions to the theory of evolution. III. Regression, heredity, and panmixia. Philosophical Transactions of the Royal Society A, 187, 253–318.',
  },
  'pearson-1897': {
    cite: 'Pearson (1897)',
    full: 'Pearson, K. (1897). On a form of spurious correlation which may arise when indices are used in the measurement of organs. Proceedings of the Royal Society, 60, 489–498.',
  },
  'pearson-1900': {
    cite: 'Pearson (1900)',
    full: 'Pearson, K. (1900). Mathematical contributions to the theory of evolution. VII. On the correlation of characters not quantitatively measurable. Philosophical Transactions of the Royal Society A, 195, 1–47.',
  },
  'phipson-smyth-2010': {
    cite: 'Phipson & Smyth (2010)',
    full: 'Phipson, B., & Smyth, G. K. (2010). Permutation p-values should never be zero. Statistical Applications in Genetics and Molecular Biology, 9, article 39.',
  },
  'pitman-1937': {
    cite: 'Pitman (1937)',
    full: 'Pitman, E. J. G. (1937). Significance tests which may be applied to samples from any populations. II. The correlation coefficient test. Supplement to the Journal of the Royal Statistical Society, 4, 225–232.',
  },
  'royston-1995': {
    cite: 'Royston (1995)',
    full: 'Royston, P. (1995). Remark AS R94: A remark on algorithm AS 181: The W-test for normality. Applied Statistics, 44, 547–551.',
  },
  'shapiro-wilk-1965': {
    cite: 'Shapiro & Wilk (1965)',
    full: 'Shapiro, S. S., & Wilk, M. B. (1965). An analysis of variance test for normality (complete samples). Biometrika, 52, 591–611.',
  },
  'shrout-fleiss-1979': {
    cite: 'Shrout & Fleiss (1979)',
    full: 'Shrout, P. E., & Fleiss, J. L. (1979). Intraclass correlations: Uses in assessing rater reliability. Psychological Bulletin, 86, 420–428.',
  },
  'simonsohn-simmons-nelson-2020': {
    cite: 'Simonsohn, Simmons & Nelson (2020)',
    full: 'Simonsohn, U., Simmons, J. P., & Nelson, L. D. (2020). Specification curve analysis. Nature Human Behaviour, 4, 1208–1214.',
  },
  'simpson-1951': {
    cite: 'Simpson (1951)',
    full: 'Simpson, E. H. (1951). The interpretation of interaction in contingency tables. Journal of the Royal Statistical Society, Series B, 13, 238–241.',
  },
  'spearman-1904': {
    cite: 'Spearman (1904)',
    full: 'Spearman, C. (1904). The proof and measurement of association between two things. The American Journal of Psychology, 15, 72–101.',
  },
  'shen-panda-vogelstein-2022': {
    cite: 'Shen, Panda & Vogelstein (2022)',
    full: 'Shen, C., Panda, S., & Vogelstein, J. T. (2022). The chi-square test of distance correlation. Journal of Computational and Graphical Statistics, 31, 254–262.',
  },
  'steegen-2016': {
    cite: 'Steegen et al. (2016)',
    full: 'Steegen, S., Tuerlinckx, F., Gelman, A., & Vanpaemel, W. (2016). Increasing transparency through a multiverse analysis. Perspectives on Psychological Science, 11, 702–712.',
  },
  'steiger-1980': {
    cite: 'Steiger (1980)',
    full: 'Steiger, J. H. (1980). Tests for comparing elements of a correlation matrix. Psychological Bulletin, 87, 245–251.',
  },
  'szekely-rizzo-2013': {
    cite: 'Székely & Rizzo (2013)',
    full: 'Székely, G. J., & Rizzo, M. L. (2013). The distance correlation t-test of independence in high dimension. Journal of Multivariate Analysis, 117, 193–213.',
  },
  'szekely-rizzo-bakirov-2007': {
    cite: 'Székely, Rizzo & Bakirov (2007)',
    full: 'Székely, G. J., Rizzo, M. L., & Bakirov, N. K. (2007). Measuring and testing dependence by correlation of distances. The Annals of Statistics, 35, 2769–2794.',
  },
  'thorndike-1949': {
    cite: 'Thorndike (1949)',
    full: 'Thorndike, R. L. (1949). Personnel selection: Test and measurement techniques. Wiley.',
  },
  'tukey-1977': { cite: 'Tukey (1977)', full: 'Tukey, J. W. (1977). Exploratory data analysis. Addison-Wesley.' },
  'west-finch-curran-1995': {
    cite: 'West, Finch & Curran (1995)',
    full: 'West, S. G., Finch, J. F., & Curran, P. J. (1995). Structural equation models with nonnormal variables: Problems and remedies. In R. H. Hoyle (Ed.), Structural equation modeling (pp. 56–75). Sage.',
  },
  'williams-1959': {
    cite: 'Williams (1959)',
    full: 'Williams, E. J. (1959). The comparison of regression variables. Journal of the Royal Statistical Society, Series B, 21, 396–399.',
  },
  'yeo-johnson-2000': {
    cite: 'Yeo & Johnson (2000)',
    full: 'Yeo, I.-K., & Johnson, R. A. (2000). A new family of power transformations to improve normality or symmetry. Biometrika, 87, 954–959.',
  },
  'zou-2007': {
    cite: 'Zou (2007)',
    full: 'Zou, G. Y. (2007). Toward using confidence intervals to compare correlations. Psychological Methods, 12, 399–413.',
  },
} as const satisfies Readonly<Record<string, Reference>>;

export type ReferenceKey = keyof typeof REFERENCES;
