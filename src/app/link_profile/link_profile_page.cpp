// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/link_profile/link_profile_page.h"

#include <QComboBox>
#include <QEvent>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QLabel>
#include <QListWidget>
#include <QPainter>
#include <QScrollArea>
#include <QStyledItemDelegate>
#include <QTableWidget>
#include <QToolButton>

#include "app/link_profile/link_chart.h"
#include "app/look/columns.h"
#include "app/look/theme.h"
#include "app/model/document.h"
#include "app/model/in_view.h"
#include "app/model/probing.h"
#include "app/model/results.h"
#include "capacity/client_air.h"
#include "capacity/link_story.h"
#include "capacity/site_capacity.h"
#include "coverage/lens_map.h"
#include "project/project.h"
#include "propagation/explain.h"
#include "render/plan_marks.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {

namespace {

constexpr int figure_width = 52;

/// A radio heard: its number, a bar up to the strongest that is usual, the level.
class HeardDelegate : public QStyledItemDelegate {
public:
    HeardDelegate(Workspace& workspace, QObject* parent)
        : QStyledItemDelegate(parent), workspace_(workspace) {}
    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override { return {150, 20}; }
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const auto& probed = workspace_.probing().place();
        const auto row = static_cast<std::size_t>(index.row());
        if (!probed || row >= probed->links.size()) return;
        const LinkExplanation& link = probed->links[row];
        const QRectF r(option.rect);
        const auto& colours = theme();
        p->save();
        p->setRenderHint(QPainter::Antialiasing);
        if (row == probed->chosen) p->fillRect(r, colours.accent_tint);
        p->setFont(render::font(12, 600));
        p->setPen(row == probed->chosen ? colours.accent : colours.ink);
        p->drawText(r.adjusted(10, 0, 0, 0), Qt::AlignVCenter, QString::number(link.number));
        render::paint_band_glyph(*p, {r.left() + 44, r.center().y()}, link.channel.band, colours);
        const QRectF bar(r.left() + 56, r.center().y() - 3.5, 58, 7);
        p->fillRect(bar, colours.line2);
        constexpr double none_dbm = -100, full_dbm = -30;
        const double share = std::clamp((link.received_dbm - none_dbm) / (full_dbm - none_dbm), 0.0, 1.0);
        p->fillRect(QRectF(bar.topLeft(), QSizeF(bar.width() * share, bar.height())),
                    colours.band(link.channel.band).solid);
        const double asked = signal_asked_dbm(workspace_.project(), link.channel.band);
        const double at =
            bar.left() + bar.width() * std::clamp((asked - none_dbm) / (full_dbm - none_dbm), 0.0, 1.0);
        p->setPen(QPen(colours.ink, 1));
        p->drawLine(QPointF(at, bar.top() - 2), QPointF(at, bar.bottom() + 2));
        p->setFont(render::font(12));
        p->setPen(colours.ink);
        p->drawText(r.adjusted(0, 0, -8, 0), Qt::AlignVCenter | Qt::AlignRight,
                    render::figure(link.received_dbm, 1) + " dBm");
        p->restore();
    }

private:
    Workspace& workspace_;
};

}  // namespace

LinkProfilePage::LinkProfilePage(Workspace& workspace, QWidget* parent)
    : QWidget(parent), workspace_(workspace) {
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(0);
    auto* left = new QWidget(this);
    left->setFixedWidth(206);
    auto* column = new QVBoxLayout(left);
    column->setContentsMargins(0, 5, 0, 4);
    column->setSpacing(3);
    auto* head = new QHBoxLayout;
    head->setContentsMargins(10, 0, 8, 0);
    auto* title = new QLabel(tr("Heard at"));
    title->setObjectName("groupTitle");
    head->addWidget(title);
    probes_ = new QComboBox;
    probes_->setAccessibleName(tr("Probe"));
    probes_->setMinimumWidth(108);
    connect(probes_, &QComboBox::activated, this, [this](int i) {
        const Probe& p = (*workspace_.project().probes)[static_cast<std::size_t>(i)];
        workspace_.in_view().show_floor(p.floor);
        workspace_.probing().choose(p.number);
    });
    head->addWidget(probes_, 1);
    column->addLayout(head);
    heard_ = new QListWidget;
    heard_->setObjectName("heard");
    heard_->setAccessibleName(tr("Radios heard"));
    heard_->setFrameShape(QFrame::NoFrame);
    heard_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    heard_->setItemDelegate(new HeardDelegate(workspace, heard_));
    connect(heard_, &QListWidget::currentRowChanged, this, [this](int i) {
        if (!filling_ && i >= 0) workspace_.probing().choose_link(static_cast<std::size_t>(i));
    });
    column->addWidget(heard_, 1);
    noise_ = new QLabel;
    noise_->setObjectName("muted");
    noise_->setContentsMargins(10, 0, 4, 0);
    noise_->setWordWrap(true);
    column->addWidget(noise_);
    row->addWidget(left);
    chart_ = new LinkChart(workspace, this);
    row->addWidget(chart_, 1);
    auto* right = new QWidget(this);
    right->setFixedWidth(306);
    auto* sum = new QVBoxLayout(right);
    sum->setContentsMargins(10, 2, 4, 4);
    sum->setSpacing(3);
    sum->addLayout(build_sides());
    terms_ = new QTableWidget(0, 3);
    terms_->setObjectName("terms");
    terms_->setAccessibleName(tr("The sum"));
    terms_->setHorizontalHeaderLabels({tr("Term"), "dB", "dBm"});
    terms_->horizontalHeader()->hide();
    terms_->verticalHeader()->hide();
    terms_->verticalHeader()->setMinimumSectionSize(15);
    terms_->verticalHeader()->setSectionResizeMode(QHeaderView::Fixed);
    terms_->verticalHeader()->setDefaultSectionSize(17);
    terms_->setEditTriggers(QAbstractItemView::NoEditTriggers);
    terms_->setSelectionMode(QAbstractItemView::NoSelection);
    terms_->setShowGrid(false);
    terms_->setFrameShape(QFrame::NoFrame);
    terms_->horizontalHeader()->setSectionResizeMode(0, QHeaderView::Stretch);
    for (int c : {1, 2}) {
        terms_->horizontalHeader()->setSectionResizeMode(c, QHeaderView::Fixed);
        set_column_width(*terms_, c, figure_width);
        terms_->horizontalHeaderItem(c)->setTextAlignment(Qt::AlignRight | Qt::AlignVCenter);
    }
    terms_->horizontalHeaderItem(0)->setTextAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    sum->addWidget(terms_, 1);
    sentence_ = new QLabel;
    sentence_->setObjectName("sentence");
    sentence_->setWordWrap(true);
    sentence_->setTextInteractionFlags(Qt::TextSelectableByMouse | Qt::TextSelectableByKeyboard);
    sum->addWidget(sentence_);
    rates_ = new QLabel;
    rates_->setObjectName("linkRates");
    rates_->setWordWrap(true);
    rates_->setTextFormat(Qt::RichText);
    rates_->setTextInteractionFlags(Qt::TextSelectableByMouse | Qt::TextSelectableByKeyboard);
    rates_->setAlignment(Qt::AlignLeft | Qt::AlignTop);
    rates_area_ = new QScrollArea;
    rates_area_->setWidgetResizable(true);
    rates_area_->setFrameShape(QFrame::NoFrame);
    rates_area_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    rates_area_->setWidget(rates_);
    rates_area_->viewport()->setAutoFillBackground(false);
    rates_->setAutoFillBackground(false);
    sum->addWidget(rates_area_, 1);
    show_rates(false);
    row->addWidget(right);
    connect(&workspace.probing(), &Probing::changed, this, &LinkProfilePage::refresh);
    connect(&workspace, &Workspace::project_changed, this, [this] {
        if (listed_ != workspace_.project().probes.identity()) refresh();
    });
    connect(&workspace.results(), &Results::changed, this, [this] {
        if (workspace_.document().is_open()) fill_heard();
    });
    connect(&workspace.document(), &Document::opened, this, &LinkProfilePage::refresh);
    refresh();
}

/// The level term by term, or the rate that it allows.
QLayout* LinkProfilePage::build_sides() {
    auto* row = new QHBoxLayout;
    row->setSpacing(0);
    const std::pair<QString, QString> choices[] = {
        {tr("Level"), tr("What arrives, term by term")},
        {tr("Rate"), tr("What the maps' client gets from that level, down and up, and what decides it")}};
    for (int i = 0; i < 2; ++i) {
        sides_[i] = new QToolButton;
        sides_[i]->setObjectName("slimSegment");
        sides_[i]->setText(choices[i].first);
        sides_[i]->setToolTip(choices[i].second);
        sides_[i]->setCheckable(true);
        connect(sides_[i], &QToolButton::clicked, this, [this, i] { show_rates(i == 1); });
        row->addWidget(sides_[i]);
    }
    row->addStretch(1);
    // heads of the sum's columns: its own would take a line more
    for (int i = 0; i < 2; ++i) {
        heads_[i] = new QLabel(i == 0 ? "dB" : "dBm");
        heads_[i]->setObjectName("small");
        heads_[i]->setFixedWidth(figure_width);
        heads_[i]->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
        row->addWidget(heads_[i]);
    }
    row->addSpacing(8);
    return row;
}

void LinkProfilePage::show_rates(bool on) {
    sides_[0]->setChecked(!on);
    sides_[1]->setChecked(on);
    terms_->setVisible(!on);
    for (QLabel* head : heads_) head->setVisible(!on);
    sentence_->setVisible(!on);
    rates_area_->setVisible(on);
}

QString LinkProfilePage::sentence() const { return sentence_->text(); }

void LinkProfilePage::showEvent(QShowEvent* e) {
    if (stale_) refresh();
    QWidget::showEvent(e);
}

void LinkProfilePage::changeEvent(QEvent* e) {
    if (e->type() == QEvent::PaletteChange) refresh();  // the cells keep their inks
    QWidget::changeEvent(e);
}

void LinkProfilePage::refresh() {
    stale_ = !isVisible();
    if (stale_) return;
    filling_ = true;
    fill_probes();
    fill_heard();
    fill_terms();
    filling_ = false;
    update();
}

void LinkProfilePage::fill_probes() {
    probes_->clear();
    if (!workspace_.document().is_open()) return;
    listed_ = workspace_.project().probes.identity();
    const auto& list = *workspace_.project().probes;
    for (const Probe& p : list) {
        const Floor* f = find_floor(workspace_.project(), p.floor);
        probes_->addItem(
            QString("P%1, %2").arg(p.number).arg(f ? QString::fromStdString(f->name) : QString()));
        if (p.number == workspace_.probing().number()) probes_->setCurrentIndex(probes_->count() - 1);
    }
    probes_->setEnabled(!list.empty());
    if (list.empty()) probes_->addItem(tr("no probe yet"));
}

void LinkProfilePage::fill_heard() {
    const auto& probed = workspace_.probing().place();
    const int count = probed ? static_cast<int>(probed->links.size()) : 0;
    while (heard_->count() > count) delete heard_->takeItem(heard_->count() - 1);
    while (heard_->count() < count) heard_->addItem(QString());
    for (int i = 0; i < count; ++i) {
        const LinkExplanation& l = probed->links[static_cast<std::size_t>(i)];
        heard_->item(i)->setData(Qt::AccessibleTextRole,
                                 tr("access point %1, %2 GHz, %3 dBm")
                                     .arg(l.number)
                                     .arg(QString::fromStdString(band(l.channel.band).name))
                                     .arg(render::figure(l.received_dbm, 1)));
    }
    if (probed && count) heard_->setCurrentRow(static_cast<int>(probed->chosen));
    heard_->viewport()->update();
    const LinkExplanation* l = probed ? probed->link() : nullptr;
    if (!l) return noise_->clear();
    QString words =
        tr("SNR %1 dB, noise %2 dBm").arg(render::figure(l->snr_db(), 1), render::figure(l->noise_dbm, 1));
    const auto* site = workspace_.results().find<SiteCapacity>();
    if (const HourCapacity* hour = site ? site->find(workspace_.project().demand.hour) : nullptr;
        hour && hour->site.clients > 0) {
        const ClientAir air = link_air(workspace_.project(), *hour, probed->links, probed->chosen,
                                       probed->probe.floor, probed->probe.place);
        words +=
            "\n" +
            tr("SINR %1 dB, air in use %2").arg(render::figure(air.sinr_db, 1), render::percent(air.use, 0));
    }
    noise_->setText(words);
}

void LinkProfilePage::fill_terms() {
    const auto& probed = workspace_.probing().place();
    const LinkExplanation* l = probed ? probed->link() : nullptr;
    terms_->setRowCount(l ? static_cast<int>(l->terms.size()) + 1 : 0);
    sentence_->clear();
    rates_->clear();
    if (!l) return;
    const auto cell = [&](int row, int column, const QString& text, bool strong) {
        auto* item = new QTableWidgetItem(text);
        item->setFont(render::font(12, strong ? 650 : 400));
        item->setForeground(column == 2 && !strong ? theme().muted : theme().ink);
        if (column) item->setTextAlignment(Qt::AlignRight | Qt::AlignVCenter);
        item->setToolTip(column ? QString() : text);
        terms_->setItem(row, column, item);
    };
    double level = 0;
    int row = 0;
    for (const LinkTerm& t : l->terms) {
        level += t.db;
        QString name = said_text(t.name);
        if (t.kind == TermKind::free_space)
            name += ", " + render::local(format_length(l->distance_m, workspace_.units()));
        else if (t.length_m > 0)
            name += ", " + render::local(format_length(t.length_m, workspace_.units()));
        else if (t.angle_deg >= 5)
            name += QStringLiteral(", %1°").arg(t.angle_deg, 0, 'f', 0);
        cell(row, 0, name, false);
        cell(row, 1, render::figure(t.db, 1), false);
        cell(row, 2, render::figure(level, 1), false);
        ++row;
    }
    cell(row, 0, tr("Received, ± %1 dB").arg(render::figure(total_deviation_db(l->deviation_db), 1)), true);
    cell(row, 1, {}, true);
    cell(row, 2, render::figure(l->received_dbm, 1), true);
    tell_rates(*l);
    const double asked = signal_asked_dbm(workspace_.project(), l->channel.band);
    sentence_->setText(said_text(told(*l, probed->name().toStdString(), asked)));
    QPalette ink = sentence_->palette();
    ink.setColor(QPalette::WindowText, l->received_dbm < asked ? theme().not_met : theme().ink);
    sentence_->setPalette(ink);
    sentence_->setFont(render::font(11.5));
}

/// What the maps' client gets from that level, and why.
void LinkProfilePage::tell_rates(const LinkExplanation& link) {
    const Project& project = workspace_.project();
    const ClientProfile& client = yemvo::client(project, project.settings.client);
    const auto* site = workspace_.results().find<SiteCapacity>();
    const HourCapacity* hour = site ? site->find(project.demand.hour) : nullptr;
    const RadioCapacity* radio = hour ? hour->find(link.access_point, link.radio) : nullptr;
    const LinkStory story = link_story(project, link, client, radio ? radio->width_mhz : 0);
    const auto told = [&](const QString& way, const RateStory& s) {
        QString text =
            "<p style='margin:0 0 2px 0'><b>" +
            (s.mbps > 0 ? tr("%1: %2 Mbit/s").arg(way, render::figure(s.mbps, s.mbps < 100 ? 1 : 0))
                        : tr("%1: no rate").arg(way))
                .toHtmlEscaped() +
            "</b></p>";
        for (const Said& why : s.because)
            if (&s == &story.down || std::ranges::count(story.down.because, why) == 0)
                text += "<p style='margin:0 0 1px 8px'>" + said_text(why).toHtmlEscaped() + "</p>";
        return text;
    };
    rates_->setFont(render::font(11.5));
    // the way up tells only what is another there
    rates_->setText(told(tr("Down to %1").arg(QString::fromStdString(client.name)), story.down) +
                    told(tr("Up from it"), story.up));
}

void LinkProfilePage::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), theme().paper);
    for (int x : {chart_->geometry().left() - 1, chart_->geometry().right() + 1})
        p.fillRect(QRect(x, 0, 1, height()), theme().line);
}

}  // namespace yemvo::app
