// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/gear/antenna_rows.h"

#include <QHBoxLayout>
#include <QPushButton>
#include <algorithm>
#include <cmath>

#include "antenna/pattern/cut_edits.h"
#include "antenna/pattern/measured_pattern.h"
#include "app/forms/form.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

/// What a lobe of that kind begins as, of about this gain.
Lobe lobe_of_kind(int kind, const Antenna& now, double frequency_mhz) {
    switch (kind) {
        case 0:
            return DomeLobe{140, -10};
        case 1:
            return SectorLobe{65, 30, 0, 25, 20};
        case 2:
            return PatchLobe{std::max(1.0, std::pow(10.0, now.gain_dbi / 10) / 2 - 0.8), -20};
        case 3:
            return DipoleLobe{};
        case 4:
            return CollinearLobe{20, 0, 18};
        default:
            return MeasuredLobe({tr("values").toStdString(),
                                 now.frame(),
                                 Blend::by_angle,
                                 {with_peak_at_0(cuts_of(now.lobe, frequency_mhz))}});
    }
}

template <class Shape>
void parameter(Form* form, const AntennaAccess& antenna, const QString& label, const char* object,
               const QString& unit, double Shape::*field, Range range) {
    form->number_field(
        form->row(label), object, unit, 1,
        [antenna, field] { return std::get<Shape>(antenna.get().lobe).*field; },
        [antenna, field](double v) {
            antenna.change(tr("Change lobe"), [&](Antenna& a) { std::get<Shape>(a.lobe).*field = v; });
        },
        range);
}

void add_parameters(Form* form, const AntennaAccess& a) {
    const Lobe& lobe = a.get().lobe;
    if (std::holds_alternative<DomeLobe>(lobe)) {
        parameter(form, a, tr("Beam"), "lobeBeam", tr("° at 3 dB"), &DomeLobe::beamwidth_deg,
                  limits::beamwidth_deg);
        parameter(form, a, tr("Never below"), "lobeFloor", "dB", &DomeLobe::floor_db, limits::lobe_floor_db);
    } else if (std::holds_alternative<SectorLobe>(lobe)) {
        parameter(form, a, tr("Azimuth"), "lobeBeam", tr("° at 3 dB"), &SectorLobe::horizontal_deg,
                  limits::beamwidth_deg);
        parameter(form, a, tr("Elevation"), "lobeUpright", tr("° at 3 dB"), &SectorLobe::vertical_deg,
                  limits::beamwidth_deg);
        parameter(form, a, tr("Electrical tilt"), "lobeTilt", tr("° down"), &SectorLobe::tilt_deg,
                  limits::lobe_tilt_deg);
        parameter(form, a, tr("Front to back"), "lobeBack", "dB", &SectorLobe::front_back_db,
                  limits::below_peak_db);
        parameter(form, a, tr("Side lobes"), "lobeSide", tr("dB below"), &SectorLobe::side_limit_db,
                  limits::below_peak_db);
    } else if (std::holds_alternative<PatchLobe>(lobe)) {
        parameter(form, a, tr("Exponent"), "lobeExponent", "", &PatchLobe::exponent, limits::lobe_exponent);
        parameter(form, a, tr("Never below"), "lobeFloor", "dB", &PatchLobe::floor_db, limits::lobe_floor_db);
    } else if (std::holds_alternative<CollinearLobe>(lobe)) {
        parameter(form, a, tr("Elevation"), "lobeUpright", tr("° at 3 dB"), &CollinearLobe::vertical_deg,
                  limits::beamwidth_deg);
        parameter(form, a, tr("Electrical tilt"), "lobeTilt", tr("° down"), &CollinearLobe::tilt_deg,
                  limits::lobe_tilt_deg);
        parameter(form, a, tr("Side lobes"), "lobeSide", tr("dB below"), &CollinearLobe::side_limit_db,
                  limits::below_peak_db);
    }
}

void change_pattern(const AntennaAccess& a, const QString& label,
                    const std::function<void(MeasuredPattern&)>& how) {
    a.change(label, [&](Antenna& antenna) {
        MeasuredPattern pattern = std::get<MeasuredLobe>(antenna.lobe).pattern();
        how(pattern);
        antenna.lobe = MeasuredLobe(std::move(pattern));
    });
}

/// What is done to one cut, at every frequency.
void edit_buttons(Form* form, const AntennaAccess& a, const QString& label, const QString& tail,
                  Cut PatternCuts::*which) {
    const auto with = [a, which](const QString& words, const std::function<Cut(const Cut&)>& how) {
        change_pattern(a, words, [&](MeasuredPattern& p) {
            for (PatternCuts& c : p.cuts) c.*which = how(c.*which);
        });
    };
    auto* row = form->row(label);
    const auto button = [&](const QString& words, const char* object, const QString& tip,
                            const std::function<void()>& run) {
        auto* b = new QPushButton(words);
        b->setObjectName(object + tail);
        b->setToolTip(tip);
        QObject::connect(b, &QPushButton::clicked, form, run);
        row->addWidget(b, 1);
    };
    button(tr("Mirror"), "mirror", tr("Angles run the other way round"),
           [with] { with(tr("Mirror cut"), [](const Cut& c) { return mirrored(c); }); });
    button(tr("Smooth"), "smooth", tr("Each value the mean of those 2° to both sides, of the power"),
           [with] { with(tr("Smooth cut"), [](const Cut& c) { return smoothed(c, 2); }); });
    button(tr("Even"), "even", tr("Both sides of the front alike: their mean"),
           [with] { with(tr("Even cut"), [](const Cut& c) { return symmetric(c); }); });
    form->number_field(
        form->row(""), "turn" + tail, tr("° turned on"), 0, [] { return 0.0; },
        [with](double by) {
            if (by != 0) with(tr("Turn cut"), [by](const Cut& c) { return turned(c, by); });
        },
        limits::angle_deg);
}

void add_measured(Form* form, const AntennaAccess& a) {
    form->text(tr("From"), [a] {
        const MeasuredPattern& p = std::get<MeasuredLobe>(a.get().lobe).pattern();
        QStringList at;
        for (const PatternCuts& c : p.cuts)
            if (c.frequency_mhz > 0) at << render::figure(c.frequency_mhz);
        const QString name = QString::fromStdString(p.name);
        return at.isEmpty() ? name : tr("%1, %2 MHz").arg(name, at.join(", "));
    });
    if (const std::size_t further =
            std::get<MeasuredLobe>(a.get().lobe).pattern().cuts.front().further.size()) {
        auto* row = form->row(tr("Further cuts"));
        auto* drop = new QPushButton(counted("Leave %n out", "Leave all %n out", further));
        drop->setObjectName("dropFurther");
        drop->setToolTip(tr("Directions between the main cuts follow them too, until they are left out"));
        QObject::connect(drop, &QPushButton::clicked, form, [a] {
            change_pattern(a, tr("Leave further cuts out"), [](MeasuredPattern& p) {
                for (PatternCuts& c : p.cuts) c.further.clear();
            });
        });
        row->addWidget(drop, 1);
    }
    form->choice(
        form->row(tr("Drawn")), "lobeFrame", {tr("under a ceiling"), tr("upright")},
        [a] { return static_cast<int>(a.get().frame()); },
        [a](int i) {
            change_pattern(a, tr("Change pattern's frame"),
                           [&](MeasuredPattern& p) { p.frame = static_cast<PatternFrame>(i); });
        });
    QStringList names;
    for (int b = 0; b < blends; ++b) names << tr_first(blend_name(static_cast<Blend>(b)));
    form->choice(
        form->row(tr("Between cuts")), "lobeBlend", names,
        [a] { return static_cast<int>(std::get<MeasuredLobe>(a.get().lobe).pattern().blend); },
        [a](int i) {
            change_pattern(a, tr("Change blend"),
                           [&](MeasuredPattern& p) { p.blend = static_cast<Blend>(i); });
        });
    auto* peak = new QPushButton(tr("Peak to the gain"));
    peak->setObjectName("peakToGain");
    peak->setToolTip(tr("All values raised or lowered alike, so that the highest of each frequency is 0 dB"));
    QObject::connect(peak, &QPushButton::clicked, form, [a] {
        change_pattern(a, tr("Peak to the gain"), [](MeasuredPattern& p) {
            for (PatternCuts& c : p.cuts) c = with_peak_at_0(c);
        });
    });
    form->row("")->addWidget(peak, 1);
    edit_buttons(form, a, tr("Azimuth"), "Azimuth", &PatternCuts::azimuth);
    edit_buttons(form, a, tr("Elevation"), "Elevation", &PatternCuts::elevation);
}

}  // namespace

void add_antenna_rows(Form* form, const AntennaAccess& a) {
    form->number_field(
        form->row(tr("Gain")), "antennaGain", "dBi", 1, [a] { return a.get().gain_dbi; },
        [a](double v) { a.change(tr("Change gain"), [&](Antenna& antenna) { antenna.gain_dbi = v; }); },
        limits::gain_dbi);
    form->choice(
        form->row(tr("Pattern")), "lobeKind",
        {tr("Ceiling dome"), tr("Sector"), tr("Patch"), tr("Dipole"), tr("Collinear rod"),
         tr("Measured values")},
        [a] { return static_cast<int>(a.get().lobe.index()); },
        [a](int i) {
            a.change(tr("Change pattern"), [&](Antenna& antenna) {
                if (static_cast<int>(antenna.lobe.index()) != i)
                    antenna.lobe = lobe_of_kind(i, antenna, a.frequency_mhz);
            });
        });
    auto* row = form->row("");
    auto* file = new QPushButton(tr("From a file…"));
    file->setObjectName("patternFile");
    file->setToolTip(tr("The standard format for digitised patterns, a CSV, or any text with a table"));
    QObject::connect(file, &QPushButton::clicked, form, a.from_file);
    row->addWidget(file, 1);
    auto* chart = new QPushButton(tr("From a chart…"));
    chart->setObjectName("patternChart");
    chart->setToolTip(tr("A picture, photo or PDF page with printed charts: their curves are followed"));
    QObject::connect(chart, &QPushButton::clicked, form, a.from_chart);
    row->addWidget(chart, 1);
    if (std::holds_alternative<MeasuredLobe>(a.get().lobe))
        add_measured(form, a);
    else
        add_parameters(form, a);
}

QString rows_for(const Antenna& a) {
    const auto* measured = std::get_if<MeasuredLobe>(&a.lobe);
    return QString("%1/%2")
        .arg(a.lobe.index())
        .arg(measured ? measured->pattern().cuts.front().further.size() : 0);
}

}  // namespace yemvo::app
