// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/on_air/heard_table.h"

#include "app/look/theme.h"
#include "base/utf8.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

/// A figure to sort by; none: last.
double figure_of(const HeardNetwork& n, HeardTable::Column column) {
    constexpr double none = -1e9;
    switch (column) {
        case HeardTable::band_column:
            return n.band.index;
        case HeardTable::primary:
            return n.band.index * 1000 + n.primary;
        case HeardTable::width:
            return n.channel.width_mhz;
        case HeardTable::centre:
            return centre_mhz(n.channel);
        case HeardTable::level:
            return n.signal_dbm.value_or(none);
        case HeardTable::use:
            return n.utilisation.value_or(none);
        case HeardTable::stations:
            return n.stations ? *n.stations : none;
        case HeardTable::retries:
            return n.retries().value_or(none);
        default:
            return none;
    }
}

/// In which column a rule's fault is seen.
int column_of(std::string_view key) {
    if (key == "wide-24" || key == "width") return HeardTable::width;
    if (key == "odd-24" || key == "not-scanned" || key == "long-radar-wait" || key == "channel-barred")
        return HeardTable::primary;
    if (key == "channel-full") return HeardTable::use;
    if (key == "retries") return HeardTable::retries;
    return HeardTable::name;
}

}  // namespace

QString network_name(const HeardNetwork& n) {
    if (n.ssid.empty()) return tr("hidden name");
    const QString name = QString::fromStdString(as_utf8(n.ssid));
    return n.more_ssids.empty() ? name : name + " " + counted("+%n name", "+%n names", n.more_ssids.size());
}

void HeardTable::show(std::shared_ptr<const HeardAir> air) {
    beginResetModel();
    air_ = std::move(air);
    failed_.clear();
    endResetModel();
}

void HeardTable::mark_failed(const std::vector<AuditLine>& lines) {
    failed_.clear();
    for (const AuditLine& l : lines)
        if (l.outcome == AuditOutcome::fails)
            for (std::size_t i : l.networks) failed_.insert({i, column_of(l.key)});
    if (rowCount() > 0) emit dataChanged(index(0, 0), index(rowCount() - 1, column_count - 1));
}

QString HeardTable::words(std::size_t network, Column column) const {
    const HeardNetwork& n = air_->networks[network];
    switch (column) {
        case name:
            return network_name(n);
        case radio:
            return QString::fromStdString(address_text(n.bssid));
        case band_column:
            return render::local(band(n.band).name);
        case primary:
            return QString::number(n.primary);
        case width:
            return QString::number(n.channel.width_mhz);
        case centre:
            return render::figure(centre_mhz(n.channel), 0);
        case level:
            return n.signal_dbm ? render::figure(*n.signal_dbm, 0) : QStringLiteral("–");
        case standard:
            return QString::fromStdString(n.standard);
        case use:
            return n.utilisation ? render::figure(100 * *n.utilisation, 0) : QStringLiteral("–");
        case stations:
            return n.stations ? QString::number(*n.stations) : QStringLiteral("–");
        default:
            return n.retries() ? render::figure(100 * *n.retries(), 0) : QStringLiteral("–");
    }
}

QVariant HeardTable::data(const QModelIndex& index, int role) const {
    const auto i = static_cast<std::size_t>(index.row());
    if (!air_ || i >= air_->networks.size()) return {};
    const auto column = static_cast<Column>(index.column());
    const bool failed = failed_.contains({i, index.column()});
    switch (role) {
        case Qt::DisplayRole:
            return words(i, column);
        case sort_role:
            if (column == name || column == radio || column == standard) return words(i, column).toLower();
            return figure_of(air_->networks[i], column);
        case Qt::TextAlignmentRole:
            if (column == name || column == radio || column == standard || column == band_column) return {};
            return int{Qt::AlignRight | Qt::AlignVCenter};
        case Qt::FontRole:
            return render::font(12.5, column == name || failed ? 600 : 400);
        case Qt::ForegroundRole:
            if (failed) return theme().not_met;
            return air_->networks[i].ssid.empty() && column == name ? QVariant(theme().muted) : QVariant();
        case Qt::BackgroundRole:
            return failed ? QVariant(theme().not_met_tint) : QVariant();
        default:
            return {};
    }
}

QVariant HeardTable::headerData(int section, Qt::Orientation orientation, int role) const {
    if (orientation != Qt::Horizontal) return {};
    if (role == Qt::TextAlignmentRole)
        return section == name || section == radio || section == standard || section == band_column
                   ? int{Qt::AlignLeft | Qt::AlignVCenter}
                   : int{Qt::AlignRight | Qt::AlignVCenter};
    if (role != Qt::DisplayRole) return {};
    static const char* names[] = {mark("Network"),    mark("Radio"),      mark("Band"),
                                  mark("Primary"),    mark("Width, MHz"), mark("Centre, MHz"),
                                  mark("Level, dBm"), "802.11",           mark("Use, %"),
                                  mark("Stations"),   mark("Retries, %")};
    return tr(names[section]);
}

}  // namespace yemvo::app
