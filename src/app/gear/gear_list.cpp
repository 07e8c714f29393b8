// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/gear/gear_list.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QLineEdit>
#include <QListWidget>
#include <QPainter>
#include <QStyledItemDelegate>
#include <QVBoxLayout>
#include <algorithm>

#include "app/look/theme.h"
#include "app/model/workspace.h"
#include "project/project.h"
#include "render/plan_marks.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

enum Role { model_role = Qt::UserRole, antenna_role, below_role, bands_role };

std::vector<BandId> bands_of(const AccessPointModel& m) {
    std::vector<BandId> all;
    for (const Band& b : bands())
        for (const RadioModel& r : m.radios)
            for (const RadioBand& can : r.bands)
                if (can.band == b.id && std::ranges::find(all, b.id) == all.end()) all.push_back(b.id);
    return all;
}

std::vector<BandId> bands_of(const AntennaModel& a) {
    std::vector<BandId> all;
    for (const AntennaBand& b : a.bands) all.push_back(b.band);
    return all;
}

int bits(const std::vector<BandId>& list) {
    int all = 0;
    for (BandId b : list) all |= 1 << b.index;
    return all;
}

int most_chains(const AccessPointModel& m) {
    int most = 0;
    for (const RadioModel& r : m.radios)
        for (const RadioBand& b : r.bands) most = std::max(most, b.chains.transmit);
    return most;
}

/// Name, what it is in a line, the bands' marks at the right; or the head of a group.
class GearDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex& i) const override {
        return {100, is_head(i) ? 24 : 38};
    }
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const auto& colours = theme();
        const QRect r = option.rect;
        if (is_head(index)) {
            p->fillRect(r, colours.chrome);
            p->setPen(colours.muted);
            p->setFont(render::font(11.5, 600));
            p->drawText(r.adjusted(12, 0, 0, 0), Qt::AlignVCenter, index.data(Qt::DisplayRole).toString());
            return;
        }
        const bool chosen = option.state & QStyle::State_Selected;
        p->fillRect(r, chosen ? colours.accent_tint : colours.paper);
        if (chosen) p->fillRect(QRect(r.left(), r.top(), 3, r.height()), colours.accent);
        p->fillRect(QRect(r.left(), r.bottom(), r.width(), 1), colours.line2);
        const int room = r.width() - 12 - 64;
        const auto line = [&](int top, int height, const QFont& font, const QColor& ink,
                              const QString& words) {
            p->setFont(font);
            p->setPen(ink);
            p->drawText(QRect(r.left() + 12, r.top() + top, room, height), Qt::AlignVCenter,
                        QFontMetrics(font).elidedText(words, Qt::ElideRight, room));
        };
        line(3, 18, render::font(12.5, chosen ? 650 : 500), chosen ? colours.accent : colours.ink,
             index.data(Qt::DisplayRole).toString());
        line(20, 15, render::font(11), colours.muted, index.data(below_role).toString());
        const int known = index.data(bands_role).toInt();
        for (std::size_t b = 0; b < band_count(); ++b)
            if (known & 1 << b)
                render::paint_band_glyph(
                    *p, QPointF(r.right() - 44 + 16.0 * static_cast<double>(b), r.center().y()),
                    bands()[b].id, colours);
    }

private:
    static bool is_head(const QModelIndex& i) {
        return i.data(model_role).toUInt() == 0 && i.data(antenna_role).toUInt() == 0;
    }
};

QString price_text(double price) { return price > 0 ? ", " + render::figure(price) : QString(); }

}  // namespace

QString about(const AccessPointModel& m) {
    const int chains = most_chains(m);
    QString standard;
    for (const RadioModel& r : m.radios)
        if (QString::fromStdString(r.standard) > standard) standard = QString::fromStdString(r.standard);
    return QString("%1×%1 %2, %3%4%5")
        .arg(chains)
        .arg(standard, tr_mark(mount_name(m.mount)), m.body.outdoor ? ", " + tr("outdoors") : QString(),
             price_text(m.body.price));
}

QString about(const AntennaModel& a) {
    double most = a.bands.front().antenna.gain_dbi;
    for (const AntennaBand& b : a.bands) most = std::max(most, b.antenna.gain_dbi);
    return tr("%1, %2 dBi").arg(QString::fromStdString(a.connector), render::figure(most, 1)) +
           (a.body.outdoor ? ", " + tr("outdoors") : QString()) + price_text(a.body.price);
}

GearList::GearList(Workspace& w, QWidget* parent) : QWidget(parent), workspace_(w) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 8, 0, 0);
    column->setSpacing(6);
    search_ = new QLineEdit;
    search_->setObjectName("gearSearch");
    search_->setPlaceholderText(tr("Find by words"));
    search_->setClearButtonEnabled(true);
    auto* row = new QHBoxLayout;
    row->setContentsMargins(10, 0, 10, 0);
    row->addWidget(search_, 1);
    price_ = new QLineEdit;
    price_->setObjectName("gearPrice");
    price_->setPlaceholderText(tr("price up to"));
    price_->setFixedWidth(112);
    price_->setToolTip(tr("price up to"));
    row->addWidget(price_);
    column->addLayout(row);
    row = new QHBoxLayout;
    row->setContentsMargins(10, 0, 10, 0);
    row->setSpacing(6);
    const auto filter = [&](const char* object, const QString& name, const QStringList& entries) {
        auto* box = new QComboBox;
        box->setObjectName(object);
        box->setAccessibleName(name);
        box->addItems(entries);
        row->addWidget(box, 1);
        connect(box, &QComboBox::currentIndexChanged, this, [this] { fill(); });
        return box;
    };
    QStringList names{tr("any band")};
    for (const Band& b : bands()) names << QString::fromStdString(b.name) + " GHz";
    band_ = filter("gearBand", tr("Band"), names);
    chains_ = filter("gearChains", tr("Chains"), {tr("any chains"), "2×2", "4×4"});
    names = {tr("any mount")};
    for (Mount m : {Mount::ceiling, Mount::wall, Mount::pole, Mount::desk}) names << tr_mark(mount_name(m));
    mount_ = filter("gearMount", tr("Mount"), names);
    column->addLayout(row);
    list_ = new QListWidget;
    list_->setObjectName("gearList");
    list_->setFrameShape(QFrame::NoFrame);
    list_->setItemDelegate(new GearDelegate(list_));
    list_->setVerticalScrollMode(QAbstractItemView::ScrollPerPixel);
    column->addWidget(list_, 1);
    connect(search_, &QLineEdit::textChanged, this, &GearList::fill);
    connect(price_, &QLineEdit::textChanged, this, &GearList::fill);
    connect(list_, &QListWidget::currentItemChanged, this, [this](QListWidgetItem* now) {
        if (!now) return;
        const GearId id{{now->data(model_role).toUInt()}, {now->data(antenna_role).toUInt()}};
        if (id) emit chosen(id);
    });
}

void GearList::refresh(GearId now) {
    const bool other = !(now == chosen_);
    chosen_ = now;
    const Project& p = workspace_.project();
    if (!models_.same(p.models) || !antennas_.same(p.antennas) || list_->count() == 0) return fill();
    if (!other) return;
    const QSignalBlocker quiet(list_);
    for (int i = 0; i < list_->count(); ++i)
        if (GearId{{list_->item(i)->data(model_role).toUInt()},
                   {list_->item(i)->data(antenna_role).toUInt()}} == now)
            list_->setCurrentRow(i);
}

bool GearList::has_words(const QString& all) const {
    const QString text = all.toLower();
    for (const QString& word : search_->text().simplified().toLower().split(' ', Qt::SkipEmptyParts))
        if (!text.contains(word)) return false;
    return true;
}

bool GearList::has_price(double price) const {
    const auto most = QLocale().toDouble(price_->text().simplified());
    return most <= 0 || (price > 0 && price <= most);
}

bool GearList::fits(const AccessPointModel& m) const {
    if (band_->currentIndex() > 0 && !(bits(bands_of(m)) & 1 << (band_->currentIndex() - 1))) return false;
    if (chains_->currentIndex() > 0 && most_chains(m) < 2 * chains_->currentIndex()) return false;
    if (mount_->currentIndex() > 0) {
        const auto wanted = static_cast<Mount>(mount_->currentIndex() - 1);
        if (m.mount != wanted && std::ranges::find(m.mounts, wanted) == m.mounts.end()) return false;
    }
    QString connectors;
    for (const RadioModel& r : m.radios)
        for (const RadioBand& b : r.bands) connectors += " " + QString::fromStdString(b.connector);
    return has_price(m.body.price) && has_words(QString::fromStdString(m.name) + " " + about(m) + connectors);
}

bool GearList::fits(const AntennaModel& a) const {
    if (band_->currentIndex() > 0 && !(bits(bands_of(a)) & 1 << (band_->currentIndex() - 1))) return false;
    if (chains_->currentIndex() > 0 || mount_->currentIndex() > 0) return false;
    return has_price(a.body.price) && has_words(QString::fromStdString(a.name) + " " + about(a));
}

void GearList::add_head(const QString& words) {
    auto* head = new QListWidgetItem(words, list_);
    head->setFlags(Qt::NoItemFlags);
}

void GearList::add(const QString& name, const QString& below, GearId id) {
    auto* item = new QListWidgetItem(name, list_);
    item->setData(model_role, id.model.value);
    item->setData(antenna_role, id.antenna.value);
    item->setData(below_role, below);
    item->setToolTip(below);
    if (id == chosen_) list_->setCurrentItem(item);
}

void GearList::fill() {
    const Project& p = workspace_.project();
    models_ = p.models;
    antennas_ = p.antennas;
    const QSignalBlocker quiet(list_);
    list_->clear();
    add_head(tr("Access points"));
    for (const AccessPointModel& m : *models_)
        if (fits(m)) {
            add(QString::fromStdString(m.name), about(m), {m.id, {}});
            list_->item(list_->count() - 1)->setData(bands_role, bits(bands_of(m)));
        }
    add_head(tr("Antennas"));
    for (const AntennaModel& a : *antennas_)
        if (fits(a)) {
            add(QString::fromStdString(a.name), about(a), {{}, a.id});
            list_->item(list_->count() - 1)->setData(bands_role, bits(bands_of(a)));
        }
}

}  // namespace yemvo::app
