// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/gear/power_table.h"

#include <QHeaderView>
#include <QRegularExpression>
#include <QSignalBlocker>
#include <QTableWidget>
#include <algorithm>

#include "app/forms/form.h"
#include "app/forms/typed_table.h"
#include "base/error.h"
#include "project/gear_library.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

constexpr int source_column = 0, watts_column = 1, name_column = 2, first_radio = 3;

QString text_at(const QTableWidget* t, int row, int column) {
    const QTableWidgetItem* item = t->item(row, column);
    return item ? item->text().simplified() : QString();
}

/// By its name as it is shown, or any part of it that no other has: "af", "802.3at", "DC".
std::optional<PowerSource> source_named(const QString& typed) {
    std::optional<PowerSource> found;
    for (PowerSource s : power_sources) {
        const QString name = tr_mark(power_source_name(s)),
                      key = QString::fromLatin1(power_source_key(s).data());
        if (typed.compare(name, Qt::CaseInsensitive) == 0 || typed.compare(key, Qt::CaseInsensitive) == 0)
            return s;
        if (!typed.isEmpty() && name.contains(typed, Qt::CaseInsensitive)) {
            if (found) return std::nullopt;
            found = s;
        }
    }
    return found;
}

QString sources_there_are() {
    QStringList all;
    for (PowerSource s : power_sources) all << tr_mark(power_source_name(s));
    return all.join(", ");
}

}  // namespace

QString limit_text(const RadioLimit* l) {
    if (!l) return tr("all");
    if (!l->on) return tr("off");
    QStringList parts;
    if (l->transmit_chains || l->receive_chains || l->streams) {
        const int transmit = l->transmit_chains.value_or(l->receive_chains.value_or(1));
        const Chains c{transmit, l->receive_chains.value_or(transmit), l->streams.value_or(transmit)};
        parts << QString::fromStdString(chains_text(c));
    }
    if (l->power_high_dbm) parts << tr("%1 dBm").arg(render::figure(*l->power_high_dbm, 0));
    return parts.isEmpty() ? tr("all") : parts.join(", ");
}

std::optional<RadioLimit> parse_limit(const QString& typed, int radio) {
    const QString words = typed.simplified().toLower();
    if (words.isEmpty() || words == "all" || words == tr("all").toLower()) return std::nullopt;
    RadioLimit l;
    l.radio = radio;
    if (words == "off" || words == tr("off").toLower()) {
        l.on = false;
        return l;
    }
    for (const QString& part : words.split(QRegularExpression("[,;]"), Qt::SkipEmptyParts)) {
        const QString p = part.simplified();
        if (p.contains(QRegularExpression("^\\d+\\s*[x×]"))) {
            const auto chains = parse_chains(p.toStdString());
            if (!chains)
                throw Error(say("'%1' is no number of chains", p.toStdString()), {},
                            say("Write it as 2x2:2"));
            l.transmit_chains = chains->transmit;
            l.receive_chains = chains->receive;
            l.streams = chains->streams;
        } else {
            const QString number = p.endsWith("dbm") ? p.chopped(3) : p;
            l.power_high_dbm = parse_number(number, limits::power_dbm.low, limits::power_dbm.high, "dBm");
        }
    }
    return l;
}

QTableWidget* power_table(const AccessPointModel& m) {
    QStringList heads{tr("Source"), "W", tr("Used for")};
    for (std::size_t i = 0; i < m.radios.size(); ++i) {
        QStringList names;
        for (const RadioBand& b : m.radios[i].bands) names << QString::fromStdString(band(b.band).name);
        heads << tr("%1 GHz").arg(names.join("/"));
    }
    auto* t = typed_table(heads, "modelPower");
    t->setToolTip(
        tr("What a source leaves of a radio: all, off, chains as 2x2:2, most power as 18 dBm, or both "
           "with a comma"));
    t->horizontalHeader()->setSectionResizeMode(QHeaderView::ResizeToContents);
    t->horizontalHeader()->setStretchLastSection(true);
    return t;
}

void fill_power(QTableWidget* t, const AccessPointModel& m) {
    const QSignalBlocker quiet(t);
    int rows = 0;
    for (const PowerRow& r : m.power) rows += static_cast<int>(r.alternatives.size());
    t->setRowCount(rows);
    int at = 0;
    for (const PowerRow& r : m.power)
        for (const PowerAlternative& a : r.alternatives) {
            const auto put = [&](int column, const QString& text) {
                t->setItem(at, column, new QTableWidgetItem(text));
            };
            put(source_column, tr_mark(power_source_name(r.source)));
            put(watts_column, render::figure(r.watts, 1));
            put(name_column, QString::fromStdString(a.name));
            for (std::size_t i = 0; i < m.radios.size(); ++i) {
                const auto limit = std::ranges::find(a.limits, static_cast<int>(i), &RadioLimit::radio);
                put(first_radio + static_cast<int>(i),
                    limit_text(limit == a.limits.end() ? nullptr : &*limit));
            }
            ++at;
        }
    t->setFixedHeight(34 + 18 + 24 * std::clamp(rows, 1, 8));
}

std::vector<PowerRow> power_in(const QTableWidget* t, const AccessPointModel& m) {
    std::vector<PowerRow> rows;
    for (int r = 0; r < t->rowCount(); ++r) {
        const QString typed = text_at(t, r, source_column);
        const auto source = source_named(typed);
        if (!source)
            throw Error(say("row %1: there is no source '%2'", r + 1, typed.toStdString()), {},
                        say("Choose one of %1", sources_there_are().toStdString()));
        auto row = std::ranges::find(rows, *source, &PowerRow::source);
        const double watts =
            cell_number(t, r, watts_column, 0, available_w(*source).value_or(limits::watts.high));
        if (row == rows.end()) {
            rows.push_back({*source, watts, {}});
            row = rows.end() - 1;
        }
        row->watts = watts;
        PowerAlternative a{text_at(t, r, name_column).toStdString(), {}};
        for (std::size_t i = 0; i < m.radios.size(); ++i) {
            const int column = first_radio + static_cast<int>(i);
            try {
                if (const auto limit = parse_limit(text_at(t, r, column), static_cast<int>(i)))
                    a.limits.push_back(*limit);
            } catch (const Error& fault) {
                throw Error(say("%1, row %2: %3", t->horizontalHeaderItem(column)->text().toStdString(),
                                r + 1, fault.told()));
            }
        }
        row->alternatives.push_back(std::move(a));
    }
    return rows;
}

}  // namespace yemvo::app
