// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/tr.h"

#include <QCoreApplication>
#include <QDir>
#include <QLocale>
#include <QTranslator>
#include <memory>

#include "base/error.h"
#include "render/text_style.h"

namespace yemvo {
namespace {

/// Texts are found by their English words, not by the class that shows them.
class ByText : public QTranslator {
public:
    QString translate(const char*, const char* english, const char* comment, int n) const override {
        return QTranslator::translate("", english, comment, n);
    }
};

std::unique_ptr<ByText>& in_use() {
    static std::unique_ptr<ByText> translator;
    return translator;
}

QString with_values(const QString& pattern, const Said& said, const QString& count) {
    std::vector<std::string> values;
    for (const Said& v : said.values()) values.push_back(said_text(v).toStdString());
    return QString::fromStdString(filled(pattern.toStdString(), values, count.toStdString()));
}

QString joined(const Said& said) {
    QStringList parts;
    for (const Said& v : said.values())
        if (!v.empty()) parts << said_text(v);
    return parts.join(QString::fromStdString(said.pattern()));
}

QString first(QString text) {
    if (!text.isEmpty()) text[0] = text[0].toUpper();
    return text;
}

/// With "%n" in it still.
QString pattern_of(const char* one, const char* many, qint64 n) {
    const QString found = in_use() ? in_use()->translate("", one, nullptr, static_cast<int>(n)) : QString();
    return found.isEmpty() ? QString::fromUtf8(n == 1 ? one : many) : found;
}

}  // namespace

QString tr(const char* english, const char* comment, int n) {
    return QCoreApplication::translate("", english, comment, n);
}

QString counted_text(const char* one, const char* many, qint64 n) {
    return pattern_of(one, many, n).replace("%n", render::figure(static_cast<double>(n)));
}

QString tr_mark(std::string_view marked) { return tr(std::string(marked).c_str()); }

QString tr_first(std::string_view marked) { return first(tr_mark(marked)); }

QString said_text(const Said& said) {
    switch (said.kind()) {
        case Said::Kind::verbatim:
            return QString::fromStdString(said.pattern());
        case Said::Kind::number:
        case Said::Kind::length:
        case Said::Kind::area:
            return render::local(said.english());
        case Said::Kind::joined:
            return joined(said);
        case Said::Kind::first:
            return first(said_text(said.values().front()));
        case Said::Kind::sentence:
            break;
    }
    if (!said.counts()) return with_values(tr(said.pattern().c_str()), said, "%n");
    return with_values(pattern_of(said.pattern().c_str(), said.pattern_of_many().c_str(),
                                  static_cast<qint64>(said.number())),
                       said, render::figure(said.number()));
}

QString fault_text(const std::exception& fault) {
    if (const auto* told = dynamic_cast<const Error*>(&fault)) return said_text(told->told());
    return QString::fromUtf8(fault.what());
}

bool use_translation(const QString& file) {
    std::unique_ptr<ByText> next;
    if (!file.isEmpty()) {
        next = std::make_unique<ByText>();
        if (!next->load(file)) return false;
    }
    if (in_use()) QCoreApplication::removeTranslator(in_use().get());
    in_use() = std::move(next);
    if (in_use()) QCoreApplication::installTranslator(in_use().get());
    return true;
}

void use_translation_of_the_desktop() {
    const QDir folder(QCoreApplication::applicationDirPath() + "/../share/yemvo/translations");
    for (const QString& language : QLocale().uiLanguages()) {
        const QString file = folder.filePath("yemvo_" + QString(language).replace('-', '_') + ".qm");
        if (QFile::exists(file) && use_translation(file)) return;
    }
}

}  // namespace yemvo
