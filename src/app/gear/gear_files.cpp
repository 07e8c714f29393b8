// SPDX-License-Identifier: GPL-3.0-or-later
// Gear and patterns to and from files, and a person's own library beside all projects.
#include <QDir>
#include <QFile>
#include <QFileInfo>
#include <QStandardPaths>
#include <algorithm>
#include <cmath>

#include "antenna/pattern/cut_edits.h"
#include "antenna/pattern/measured_pattern.h"
#include "antenna/pattern/pattern_file.h"
#include "app/asking/file_names.h"
#include "app/asking/text_files.h"
#include "app/gear/gear_page.h"
#include "project/gear_edits.h"
#include "project/gear_library.h"
#include "project/project.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

QString gear_filter() { return tr("Libraries of gear and tables of models (*.json *.csv)"); }
QString pattern_filter() { return tr("Antenna patterns (*.ant *.csv *.txt *.tsv);;All files (*)"); }

/// The person's own gear; empty when there is no file yet. Throws Error for a broken one.
GearLibrary personal_gear() {
    if (!QFile::exists(personal_gear_file())) return {};
    return gear_from_json(text_in_file(personal_gear_file()), personal_gear_file().toStdString());
}

template <class List, class T>
void put_by_key(List& list, T thing) {
    thing.id = {};
    std::erase_if(list, [&](const auto& e) { return e.key == thing.key; });
    list.push_back(std::move(thing));
}

QString sentences(const std::vector<Said>& all) {
    QStringList lines;
    for (const Said& s : all) lines << said_text(s);
    return lines.join("; ");
}

}  // namespace

QString personal_gear_file() {
    return QStandardPaths::writableLocation(QStandardPaths::AppDataLocation) + "/gear.json";
}

void GearPage::add_library(const GearLibrary& library, const QString& from) {
    const Project& p = workspace_.project();
    GearLibrary fresh;
    const auto add_unknown = [](const auto& list, const auto& known, auto& out) {
        for (auto thing : list) {
            const bool has = std::ranges::any_of(known, [&](auto mine) {
                mine.id = {};
                return mine == thing;
            });
            if (!has) out.push_back(std::move(thing));
        }
    };
    add_unknown(library.models, *p.models, fresh.models);
    add_unknown(library.antennas, *p.antennas, fresh.antennas);
    for (const CableType& c : library.cables)
        if (std::ranges::find(*p.cables, c.key, &CableType::key) == p.cables->end())
            fresh.cables.push_back(c);
    const QString unknown = library.warnings.empty() ? QString() : ". " + sentences(library.warnings);
    if (fresh.empty())
        return workspace_.tell(tr("The project has all gear of %1 already").arg(from) + unknown);
    GearId first;
    workspace_.edit(tr("Add gear"), [&](Project& project) {
        for (const CableType& c : fresh.cables) project.cables.edit().push_back(c);
        for (const AntennaModel& a : fresh.antennas) {
            const AntennaId id = add_antenna(project, a);
            if (!first) first.antenna = id;
        }
        for (const AccessPointModel& m : fresh.models) {
            const ModelId id = add_model(project, m);
            if (!first.model) first = {id, {}};
        }
    });
    show_gear(first);
    workspace_.tell(tr("From %1: %2, %3")
                        .arg(from, counted("%n model", "%n models", fresh.models.size()),
                             counted("%n antenna", "%n antennas", fresh.antennas.size())) +
                    unknown);
}

void GearPage::read_file() {
    const QString name = asking_.open_file(tr("Read gear"), gear_filter());
    if (name.isEmpty()) return;
    const QString said = QFileInfo(name).fileName();
    try {
        const std::string text = text_in_file(name);
        GearLibrary library;
        if (said.endsWith(".json", Qt::CaseInsensitive))
            library = gear_from_json(text, said.toStdString());
        else
            library.models = models_from_csv(text, said.toStdString());
        add_library(library, said);
    } catch (const Error& fault) {
        workspace_.tell(fault_text(fault), true);
    }
}

void GearPage::write_file() {
    const QString name =
        ask_where_to_write(asking_, tr("Write a library of gear"), "gear.json", gear_filter(), ".json");
    if (name.isEmpty()) return;
    const Project& p = workspace_.project();
    const QString said = QFileInfo(name).fileName();
    if (!write_text_file(name, gear_to_json({*p.models, *p.antennas, *p.cables, {}})))
        return workspace_.tell(tr("%1 cannot be written: choose another folder").arg(said), true);
    workspace_.tell(tr("Written to %1: %2, %3")
                        .arg(said, counted("%n model", "%n models", p.models->size()),
                             counted("%n antenna", "%n antennas", p.antennas->size())));
}

void GearPage::keep_personal() {
    try {
        GearLibrary mine = personal_gear();
        QString name;
        if (const AccessPointModel* m = model()) {
            name = QString::fromStdString(m->name);
            put_by_key(mine.models, *m);
        } else if (const AntennaModel* a = antenna()) {
            name = QString::fromStdString(a->name);
            put_by_key(mine.antennas, *a);
        } else {
            return;
        }
        QDir().mkpath(QFileInfo(personal_gear_file()).path());
        if (!write_text_file(personal_gear_file(), gear_to_json(mine)))
            return workspace_.tell(tr("%1 cannot be written").arg(personal_gear_file()), true);
        workspace_.tell(tr("%1 is kept: your library has %2")
                            .arg(name, counted("%n piece of gear", "%n pieces of gear",
                                               mine.models.size() + mine.antennas.size())));
    } catch (const Error& fault) {
        workspace_.tell(fault_text(fault), true);
    }
}

void GearPage::take_personal() {
    try {
        const GearLibrary mine = personal_gear();
        if (mine.empty())
            return workspace_.tell(tr("Your own library is empty: save gear of this project to it first"),
                                   true);
        add_library(mine, tr("your own library"));
    } catch (const Error& fault) {
        workspace_.tell(fault_text(fault), true);
    }
}

void GearPage::ask_for_pattern() {
    if (!lobe()) return;
    const QString name = asking_.open_file(tr("Read an antenna pattern"), pattern_filter());
    if (!name.isEmpty()) emit pattern_file(name, band(band_shown()).reference_mhz);
}

void GearPage::take_pattern_file(const PatternFile& file, const QString& from) {
    change_lobe(tr("Read pattern"), [&](Antenna& a) {
        a.lobe = MeasuredLobe(
            {file.name.empty() ? from.toStdString() : file.name, a.frame(), Blend::by_angle, file.cuts});
        if (!file.gain_assumed) a.gain_dbi = std::round(file.gain_dbi * 100) / 100;
    });
    QString words = file.gain_assumed ? tr("%1 is read. It tells no gain: %2 dBi would fit its cuts")
                                            .arg(from, render::figure(file.gain_dbi, 1))
                                      : tr("%1 is read").arg(from);
    if (!file.warnings.empty()) words += ". " + sentences(file.warnings);
    workspace_.tell(words);
}

void GearPage::ask_for_chart() {
    const Antenna* a = lobe();
    if (!a) return;
    const QString name = asking_.open_file(
        tr("Open a sheet with charts"),
        tr("Pictures and PDF (*.png *.jpg *.jpeg *.webp *.tif *.tiff *.pdf);;All files (*)"));
    if (name.isEmpty()) return;
    emit chart(name, cuts_of(a->lobe, band(band_shown()).reference_mhz));
}

void GearPage::take_pattern(const QString& name, const PatternCuts& cuts, double gain_dbi) {
    change_lobe(tr("Pattern from a chart"), [&](Antenna& a) {
        a.lobe = MeasuredLobe({name.toStdString(), a.frame(), Blend::by_angle, {cuts}});
        a.gain_dbi = gain_dbi;
    });
}

void GearPage::write_pattern() {
    const Antenna* a = lobe();
    if (!a) return;
    const QString name = asking_.save_file(tr("Write the pattern"), "pattern.ant",
                                           tr("Standard format (*.ant);;Table (*.csv)"));
    if (name.isEmpty()) return;
    PatternFile file;
    file.name = model() ? model()->name : antenna()->name;
    file.gain_dbi = a->gain_dbi;
    if (const auto* measured = std::get_if<MeasuredLobe>(&a->lobe))
        file.cuts = measured->pattern().cuts;
    else
        file.cuts = {cuts_of(a->lobe, band(band_shown()).reference_mhz)};
    const bool csv = name.endsWith(".csv", Qt::CaseInsensitive);
    const QString said = QFileInfo(name).fileName();
    if (!write_text_file(name, csv ? write_csv_pattern(file) : write_standard_pattern(file)))
        return workspace_.tell(tr("%1 cannot be written: choose another folder").arg(said), true);
    workspace_.tell(tr("%1 is written").arg(said));
}

}  // namespace yemvo::app
