/** Sheets as pages, files and text: PDF, HTML, Markdown, CSV and JSON. */
@NullMarked
package polydex.files.sheets;

import org.jspecify.annotations.NullMarked;
