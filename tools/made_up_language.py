# SPDX-License-Identifier: GPL-3.0-or-later
"""made_up_language.py YEMVO.pot MADE_UP.po: a translation that nobody speaks. Every vowel bears an accent, so that a text
which nothing translates stands out, and each text is a third longer, as a real translation may be."""
import re
import sys

ACCENTS = str.maketrans("aeiouyAEIOUY", "åéîöüýÅÉÎÖÜÝ")
# what is no word: places for values, markup, patterns of file names, the key that a & makes
KEPT = re.compile(r"(%[n\d]|<[^>]*>|\(\*[^)]*\)|\\.)")


def made_up(text: str) -> str:
    parts = [p if KEPT.fullmatch(p) else p.translate(ACCENTS) for p in KEPT.split(text) if p]
    letters = sum(c.isalpha() for p in parts if not KEPT.fullmatch(p) for c in p)
    longer = "ẽ" * ((letters + 2) // 3)
    # behind the last word, so that an ellipsis, a stop or a value stays where it was
    for i in range(len(parts) - 1, -1, -1):
        words = list(re.finditer(r"[^\W\d_]+", parts[i]))
        if words and not KEPT.fullmatch(parts[i]):
            at = words[-1].end()
            parts[i] = parts[i][:at] + longer + parts[i][at:]
            break
    return "".join(parts)


def quoted(block: str, keyword: str) -> str | None:
    found = re.search(rf'^{keyword} ((?:"(?:\\.|[^"\\])*"\s*)+)', block, re.M)
    return None if not found else "".join(re.findall(r'"((?:\\.|[^"\\])*)"', found.group(1)))


def main() -> None:
    with open(sys.argv[1], encoding="utf-8") as source:
        blocks = source.read().split("\n\n")
    with open(sys.argv[2], "w", encoding="utf-8") as out:
        out.write('msgid ""\nmsgstr ""\n"Language: en_GB\\n"\n"MIME-Version: 1.0\\n"\n'
                  '"Content-Type: text/plain; charset=UTF-8\\n"\n"Content-Transfer-Encoding: 8bit\\n"\n'
                  '"Plural-Forms: nplurals=2; plural=(n != 1);\\n"\n')
        for block in blocks[1:]:
            one, many = quoted(block, "msgid"), quoted(block, "msgid_plural")
            if not one:
                continue
            out.write(f'\nmsgid "{one}"\n')
            if many is None:
                out.write(f'msgstr "{made_up(one)}"\n')
            else:
                out.write(f'msgid_plural "{many}"\nmsgstr[0] "{made_up(one)}"\nmsgstr[1] "{made_up(many)}"\n')


main()
