package dev.lastcut.server.orders;

import com.zaxxer.hikari.HikariDataSource;
import dev.lastcut.server.jobs.OutputService;
import dev.lastcut.server.store.DeskOrderStore;
import java.nio.file.Path;
import java.util.Map;
import javax.sql.DataSource;
import org.flywaydb.core.Flyway;
import org.springframework.context.annotation.AnnotationConfigApplicationContext;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.env.MapPropertySource;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DataSourceTransactionManager;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.annotation.EnableTransactionManagement;

/** The application without its routes: its own services and storage, on files of a test. */
final class Workshop implements AutoCloseable {
    private final AnnotationConfigApplicationContext context =
            new AnnotationConfigApplicationContext();

    /**
     * @param settings of the application, by name
     */
    Workshop(Path data, Map<String, Object> settings) {
        context.getEnvironment()
                .getPropertySources()
                .addFirst(new MapPropertySource("test", settings));
        context.registerBean(
                DataSource.class,
                () -> {
                    HikariDataSource source = new HikariDataSource();
                    // As in application.yaml.
                    source.setJdbcUrl(
                            "jdbc:sqlite:"
                                    + data.resolve("last-cut.db")
                                    + "?journal_mode=WAL&foreign_keys=on&busy_timeout=5000");
                    source.setMaximumPoolSize(4);
                    Flyway.configure().dataSource(source).load().migrate();
                    return source;
                });
        context.register(Transactions.class);
        context.scan(
                "dev.lastcut.server.store",
                "dev.lastcut.server.jobs",
                "dev.lastcut.server.sheets",
                "dev.lastcut.server.orders",
                "dev.lastcut.server.work");
        // Only what is asked for is made.
        context.addBeanFactoryPostProcessor(
                f -> {
                    for (String name : f.getBeanDefinitionNames()) {
                        f.getBeanDefinition(name).setLazyInit(true);
                    }
                });
        context.refresh();
    }

    @Configuration
    @EnableTransactionManagement
    static class Transactions {
        @Bean
        PlatformTransactionManager manager(DataSource source) {
            return new DataSourceTransactionManager(source);
        }

        @Bean
        JdbcClient jdbc(DataSource source) {
            return JdbcClient.create(source);
        }
    }

    @Override
    public void close() {
        HikariDataSource source = (HikariDataSource) context.getBean(DataSource.class);
        context.close();
        source.close();
    }

    /** Orders at the desk of an address. */
    OrderService orders(String address) {
        return new OrderService(
                a(DeskOrderStore.class),
                a(OutputService.class),
                a(Shipments.class),
                () -> address,
                5_000);
    }

    <T> T a(Class<T> type) {
        return context.getBean(type);
    }
}
